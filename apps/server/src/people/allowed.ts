import { ForbiddenException } from "@nestjs/common";
import { type Person, mayDo, notAllowedWords } from "@zm/protocol";

/** Edits that write notes and touch nothing else. */
const NOTES = new Set<unknown>(["setNote", "removeNote"]);

/** Holds edits against who makes them: whoever writes notes alone may bring notes alone. Throws ForbiddenException; then nothing has changed. */
export function expectMayEdit(who: Person, edits: readonly object[]): void {
  if (mayDo(who, "edit") || edits.every((edit) => NOTES.has(Reflect.get(edit, "op")))) return;
  throw new ForbiddenException(`${notAllowedWords(who, "edit")} Nothing was changed.`);
}
