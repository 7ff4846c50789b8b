import type { EditInput } from "../edit/index.ts";
import { groupBy } from "../show/groupBy.ts";
import type { Finding } from "./finding.ts";

type SetCue = Extract<EditInput, { op: "setCue" }>;

/**
 * The edits that mend several findings at once; findings without a mend are passed over. A mend that says where one light of a cue is marked
 * gives that cue new mark settings: those of several lights of a cue are laid together, or the last would take back what the others said.
 * In the order of the findings; together they are one gesture and one undo.
 */
export function mendAll(findings: readonly Finding[]): EditInput[] {
  const edits = findings.flatMap(({ mend }) => mend ?? []);
  const marks = groupBy(edits.filter(setsMark), ({ list, from, to }) => `${list} ${from} ${to}`);
  const given = new Set<SetCue[]>();
  return edits.flatMap((edit): EditInput[] => {
    if (!setsMark(edit)) return [edit];
    const together = marks.get(`${edit.list} ${edit.from} ${edit.to}`) ?? [edit];
    if (given.has(together)) return [];
    given.add(together);
    const channels = Object.assign({}, ...together.map(({ mark }) => mark?.channels ?? {}));
    return [{ ...edit, mark: { ...edit.mark, channels } }];
  });
}

function setsMark(edit: EditInput): edit is SetCue {
  return edit.op === "setCue" && edit.mark != null;
}
