import { append } from "../show/append.ts";
import type { EditInput } from "../edit/index.ts";
import { withLightMarks } from "../marks/lightMarks.ts";
import { type Mark, markedKeys } from "../marks/mark.ts";
import { marksByChannel } from "../marks/marksByChannel.ts";
import { type MarkTime, markTimes, planMark } from "../planner/plan.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import type { CheckContext } from "./context.ts";
import { type Finding, findingAt } from "./finding.ts";
import { figure, listed } from "../show/words.ts";

/**
 * Marks that have no time to finish, and marks that are asked for in a cue in which the light is lit.
 * Findings: `mark-late` with needed and available time, and `mark-lit` (docs/rules.md, Marks).
 */
export function checkMarks(context: CheckContext): Finding[] {
  const { list, sheet, keep } = context;
  const timeFor = markTimes(list, sheet.show.script);
  const found: Finding[] = [];
  for (const [channel, marks] of marksByChannel(list)) {
    const own = knownMarks(context, channel, marks) ?? marks.flatMap((mark) => checkMark(context, mark, timeFor));
    keep.marks.set(channel, { of: marks, found: own });
    append(found, own);
  }
  return found;
}

/** What an earlier look found wrong with the marks of a light, where they are the same and have the time that they had; undefined where they are looked at anew. */
function knownMarks({ holds, sheet }: CheckContext, channel: number, marks: readonly Mark[]): readonly Finding[] | undefined {
  const known = holds?.cache.marks.get(channel);
  if (!holds || known?.of !== marks) return undefined;
  const other = holds.otherClock;
  if (!other) return known.found;
  // Where the script tells times, they depend on all that is called.
  if (sheet.show.script) return undefined;
  const isAside = ({ window, calledAt }: Mark): boolean => calledAt < other.first || (window?.first ?? calledAt) > other.last;
  return marks.every(isAside) ? known.found : undefined;
}

function checkMark(context: CheckContext, mark: Mark, timeFor: MarkTime): Finding[] {
  const { available, report } = planMark(mark, timeFor);
  if (report === "mark-late") return [late(context, mark, available ?? 0, timeFor)];
  return report === "mark-lit" ? [lit(context, mark)] : [];
}

/**
 * Tells of a light that has less time in the dark than its move needs; the mend names an earlier cue that has enough, if there
 * is one.
 */
function late(context: CheckContext, mark: Mark, available: number, timeFor: MarkTime): Finding {
  const { list } = context;
  const what = listed(markedKeys(list, mark).map(({ key }) => key.attribute.name ?? key.attribute.id));
  const has = Math.max(0, available);
  const told = `Light ${mark.channel} needs ${figure(mark.needed)} s for its ${what} and has ${figure(has)} s before cue ${cueAt(list, mark.calledAt).number}: it is still moving when it comes up.`;
  const better = latestThatServes(mark, timeFor);
  if (better === null)
    return findingAt(
      context,
      "mark-late",
      mark.calledAt,
      mark.channel,
      `${told} No cue of its dark window gives it more than that; let it go dark earlier, bring it up later, or live with the move.`,
    );
  const { row, time } = better;
  return findingAt(
    context,
    "mark-late",
    mark.calledAt,
    mark.channel,
    `${told} A mark in cue ${cueAt(list, row).number} has ${figure(time)} s.`,
    [settingFor(list, mark, { at: cueAt(list, row).number })],
  );
}

/** The last row of the dark window from which there is time enough, and how much; null where none has. */
function latestThatServes(mark: Mark, timeFor: MarkTime): { row: number; time: number } | null {
  if (!mark.window) return null;
  for (let row = mark.window.last; row >= mark.window.first; row -= 1) {
    const time = timeFor(mark, row);
    if (time !== null && time.seconds >= mark.needed) return { row, time: time.seconds };
  }
  return null;
}

/** Tells of a mark that names a cue in which the light is not dark, so that it moves in sight. */
function lit(context: CheckContext, mark: Mark): Finding {
  const { list } = context;
  const { window } = mark;
  const call = cueAt(list, mark.calledAt).number;
  const dark = window
    ? `it is dark from cue ${cueAt(list, window.first).number} to cue ${cueAt(list, window.last).number} only`
    : "it is never dark before";
  const message = `Light ${mark.channel} is to be marked in cue ${mark.strayCue ?? ""} for cue ${call}, and ${dark}: it moves in view as it comes up. Name a cue in which it is dark.`;
  const mend = window ? [settingFor(list, mark, { at: cueAt(list, window.last).number })] : undefined;
  return findingAt(context, "mark-lit", mark.calledAt, mark.channel, message, mend);
}

/** The edit that makes a cue say where one of its lights is marked. */
function settingFor(list: ListSheet, mark: Mark, own: { at: string }): EditInput {
  const cue = cueAt(list, mark.calledAt);
  return { op: "setCue", from: cue.number, to: cue.number, mark: withLightMarks(cue.mark, [[mark.channel, own]]) };
}
