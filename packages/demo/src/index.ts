import { type Cue, type Show, readShow } from "@zm/core";
import { actOne } from "./actOne.ts";
import { actTwo } from "./actTwo.ts";
import { acting, colourLists, cut, heldLooks, movements, notes, pages, sideLists, tempos } from "./besides.ts";
import { callOf, script } from "./script.ts";
import { channels, fixtureTypes, groups, palettes } from "./rig.ts";

/** The demo production Salt and Paraffin: its whole rig, the play, the cues of both acts at their lines, and what runs beside them, as a checked show document. */
export function saltAndParaffin(): Show {
  return readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "Salt and Paraffin",
    fixtureTypes,
    channels,
    groups,
    palettes,
    paces: [{ id: "slow-sweep", label: "Slow sweep", position: { fade: 6, delay: "0~2", curve: "ease" } }],
    lists: [
      { id: "main", label: "Main", marks: { policy: "before" }, off: cut, cues: [...actOne, ...actTwo].map(called).map(acting) },
      ...sideLists,
    ],
    heldLooks,
    tempos,
    pages,
    notes,
    movements,
    colourLists,
    script,
  });
}
/** A cue with the place in the play at which it is called. */
function called(cue: Cue): Cue {
  const call = callOf(cue.number);
  return call ? { ...cue, call } : cue;
}

export { TRIAL_SIZES, type TrialSize, trialShow } from "./trial.ts";
export { type Random, randomFrom } from "./random.ts";
