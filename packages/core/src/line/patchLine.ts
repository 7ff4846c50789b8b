import type { EditInput } from "../edit/index.ts";
import { readPatch } from "../rig/patch.ts";
import { bulkEdits } from "../rig/rigEdits.ts";
import { ShowError } from "../show/errors.ts";
import type { LineContext } from "./lineRequest.ts";
import { Fault, matches } from "./names.ts";
import type { Sentence } from "./sentence.ts";

/** The edits that add or patch a row of lights. Throws Fault pointing at the address or the type that is wrong. */
export function patchEdits({ from, to, type, at, label }: Extract<Sentence, { kind: "patch" }>, { sheet }: LineContext): EditInput[] {
  const patch = at && readPatch(at.name);
  if (at && !patch)
    throw new Fault({ message: `${at.name} is not a patch; write universe and address such as 1.101`, at: at.at, length: at.name.length });
  const known = sheet.show.fixtureTypes.find((each) => matches({ id: each.id, label: each.name }, type.name));
  try {
    return bulkEdits(sheet.show, { from, to, type: known?.id ?? type.name, ...(patch ? { patch } : {}), label });
  } catch (error) {
    if (!(error instanceof ShowError)) throw error;
    throw new Fault({ message: error.message, at: type.at, length: type.name.length });
  }
}
