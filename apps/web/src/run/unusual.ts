import { type ListRun, type ListSheet, type Press, findRow, ownMaster, trackedActions } from "@zm/core";
import { seconds } from "../shared/words.ts";

/** Something that makes a list run otherwise than its cues say: in words, what setting it back means, and the press that does it. */
export interface Unusual {
  readonly words: string;
  readonly back: string;
  readonly press: Press;
}

/** What makes a list run otherwise than its cues say; nothing where it runs as it is written. A show that runs too fast, or half dark, must be seen to. */
export function unusualOf({ list, cue, rate, master }: ListRun): Unusual[] {
  const { id } = list;
  const row = cue === null ? -1 : findRow(list, cue);
  const [told, before] = [toldByCues(list, row), toldByCues(list, row - 1)];
  const found: Unusual[] = [];
  // What a cue does besides may come some time after its Go.
  if (rate !== told.rate && rate !== before.rate) {
    found.push({
      words: rate > 1 ? `${seconds(rate)}× as fast` : `at ${seconds(rate)} of its speed`,
      back: "What is fired from now on takes the times of its cues again",
      press: { press: "rate", list: id, rate: told.rate },
    });
  }
  const own = told.master;
  if (master.to !== own && master.to !== before.master) {
    found.push({
      words: `master ${seconds(master.to)} %`,
      back: `Its master goes to ${own} % again, in one second`,
      press: { press: "master", list: id, level: own, time: 1 },
    });
  }
  return found;
}

/** The rate and the master that a list has once its cues up to a row have been fired in order: its own, or what its cues set besides. */
function toldByCues(list: ListSheet, row: number): { rate: number; master: number } {
  const told = trackedActions(list, row, (id) => (id === list.id ? list : undefined)).lists.get(list.id);
  return { rate: told?.rate ?? 1, master: told?.master ?? ownMaster(list) };
}
