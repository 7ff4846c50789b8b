import { ShowError, count, movesIn, cuesInLists } from "@zm/core";
import { editsInto, mergeQuestions } from "../merge/intoShow.ts";
import { type FileReading, type ReadingContext, type ReadingQuestion, answerOf } from "../reading/reading.ts";
import type { Remark } from "../report/remark.ts";
import { LEVELS_MEAN, type LevelsMean, looksThatDiffer, showOfAscii } from "./asciiShow.ts";
import { readAscii } from "./readAscii.ts";

const MEANINGS: Readonly<Record<LevelsMean, string>> = {
  looks: "each cue is a whole look; what changes is kept",
  stored: "each cue is a whole look; every level is kept in every cue",
  moves: "a cue says what moves, and the rest tracks",
};

/** Reads an ASCII text for the door: as a show of its own, and as edits of the one that is open. Throws ShowError with each fault and its line. */
export function asciiReading(text: string, title: string, { sheet, wishes }: ReadingContext): FileReading {
  const file = readAscii(text);
  const differing = looksThatDiffer(file);
  const levels: ReadingQuestion = {
    id: "levels",
    words:
      differing === 0
        ? "What the levels of a cue mean: read either way, the pictures are the same"
        : `What the levels of a cue mean: ${count(differing, "cue")} will look different`,
    answers: LEVELS_MEAN.map((id) => ({ id, words: MEANINGS[id] })),
  };
  const follow: ReadingQuestion = {
    id: "follow",
    words: "From when a follow-on counts",
    answers: [
      { id: "go", words: "from the Go of its cue" },
      { id: "complete", words: "from when its cue is complete" },
    ],
  };
  const followFrom = answerOf(follow, wishes) === "complete" ? "complete" : "go";
  const mean = LEVELS_MEAN.find((each) => each === answerOf(levels, wishes)) ?? "looks";
  const { show, remarks } = showOfAscii(file, { levels: mean, followFrom, title });
  const parts = show.lists.flatMap((list) => list.cues.flatMap((cue) => cue.parts));
  const moves = parts.reduce((sum, part) => sum + movesIn(part.moves), 0);
  const made = [
    `${cuesInLists(show)}, with ${count(moves, "move")}`,
    `${count(show.channels.length, "light")}, ${show.channels.filter(({ patch }) => patch).length} of them patched`,
    ...(show.groups.length > 0 ? [count(show.groups.length, "group")] : []),
    ...(show.heldLooks ? [`${count(show.heldLooks.length, "held look")} out of submasters`] : []),
  ];
  const questions = [levels, ...(file.cues.some(({ followOn, fromComplete }) => followOn !== undefined && !fromComplete) ? [follow] : [])];
  return { made, questions, remarks, show, ...into(remarks) };

  function into(told: readonly Remark[]): Partial<FileReading> {
    if (!sheet) return {};
    const asked = [...questions, ...mergeQuestions(show, sheet)];
    try {
      const { edits, remarks: left } = editsInto(show, sheet, wishes);
      return { questions: asked, edits, remarks: [...told, ...left] };
    } catch (error) {
      if (error instanceof ShowError) return { questions: asked, refused: error.faults };
      throw error;
    }
  }
}
