import type { ListRun } from "@zm/core";
import { seconds } from "../shared/words.ts";
import type { Pressed } from "./usePress.ts";

/** Something that makes a list run otherwise than its cues say: in words, what setting it back means, and the press that does it. */
export interface Unusual {
  readonly words: string;
  readonly back: string;
  readonly press: Pressed;
}

/** What makes a list run otherwise than its cues say; nothing where it runs as it is written. A show that runs too fast, or half dark, must be seen to. */
export function unusualOf({ list: { list }, rate, master }: ListRun): Unusual[] {
  const { id } = list;
  const found: Unusual[] = [];
  if (rate !== 1) {
    found.push({
      words: rate > 1 ? `${seconds(rate)}× as fast` : `at ${seconds(rate)} of its speed`,
      back: "What is fired from now on takes the times of its cues again",
      press: { ask: { press: "rate", list: id, rate: 1 }, here: (t) => ({ t, list: id, rate: 1 }) },
    });
  }
  const own = list.fader === undefined || list.fader === "levels" ? (list.master ?? 100) : 100;
  if (master.to !== own) {
    found.push({
      words: `master ${seconds(master.to)} %`,
      back: `Its master goes to ${own} % again, in one second`,
      press: { ask: { press: "master", list: id, level: own, time: 1 }, here: (t) => ({ t, list: id, master: own, time: 1 }) },
    });
  }
  return found;
}
