import { lineTimes } from "../script/scriptTime.ts";
import { placeOfCall } from "../script/words.ts";
import type { CheckContext } from "./context.ts";
import { type Finding, findingAt } from "./finding.ts";

/**
 * Cues that nothing ever fires: in a list that no cue starts, at the head of a list but waiting for a cue before, or called at a line that
 * is not there.
 * The main list needs nobody to start it: its first cue is fired by hand.
 */
export function checkReach(context: CheckContext): Finding[] {
  const { sheet, list } = context;
  const [first] = list.cues;
  if (!first) return [];
  const [main] = sheet.lists.keys();
  const started =
    list.id === main ||
    [...sheet.lists.values()].some((other) =>
      other.cues.some((cue) => cue.actions?.some((action) => "list" in action && action.list === list.id)),
    );
  const found: Finding[] = [];
  if (!started)
    found.push(
      findingAt(
        context,
        "unreachable-cue",
        0,
        null,
        `No cue starts list "${list.list.label || list.id}": its ${list.cues.length} cues run only when somebody fires them by hand. Start it from a cue, or take it away.`,
      ),
    );
  if (first.trigger?.type === "follow")
    found.push(
      findingAt(
        context,
        "unreachable-cue",
        0,
        null,
        `Cue ${first.number} is the first and waits for a cue before it, so it never fires by itself. Let it wait for a Go.`,
        [{ op: "setCue", from: first.number, to: first.number, trigger: null }],
      ),
    );
  return [...found, ...strayCalls(context), ...needlessCalls(context)];
}

/** Tells of cues that follow by themselves and are called in the script as well: the call would fire the cue behind them. */
function needlessCalls(context: CheckContext): Finding[] {
  return context.list.cues.flatMap(({ number, call, trigger }, row) => {
    if (!call || trigger?.type !== "follow" || row === 0) return [];
    const message = `Cue ${number} follows by itself and is called in the script as well: a Go at that word would fire the cue behind it. Take the call away, or let the cue wait for a Go.`;
    return [findingAt(context, "call-needless", row, null, message, [{ op: "setCue", from: number, to: number, call: null }])];
  });
}

/** Tells of cues that are called at a script line which is not there, or on a word which that line does not have. */
function strayCalls(context: CheckContext): Finding[] {
  const { script } = context.sheet.show;
  if (!script) return [];
  const lines = lineTimes(script);
  return context.list.cues.flatMap((cue, row) => {
    const line = cue.call && lines.get(cue.call.line)?.line;
    if (!cue.call || (line && (cue.call.word === undefined || placeOfCall(line.text, cue.call) >= 0))) return [];
    if (line) {
      const told = `Cue ${cue.number} is called on “${cue.call.word ?? ""}”, which line ${line.id} does not say: it is called at the beginning of the line. Place it at a word that is there.`;
      return [findingAt(context, "call-adrift", row, null, told)];
    }
    const message = `Cue ${cue.number} is called at line ${cue.call.line}, which the script does not have: nobody will call it. Place it at a line that is there.`;
    return [findingAt(context, "unreachable-cue", row, null, message, [{ op: "setCue", from: cue.number, to: cue.number, call: null }])];
  });
}
