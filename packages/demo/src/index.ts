import { type Show, readShow } from "@zm/core";
import { actOne } from "./actOne.ts";
import { channels, fixtureTypes, groups, palettes } from "./rig.ts";

/** The demo production Salt and Paraffin: its whole rig and the cues of act one, as a checked show document. */
export function saltAndParaffin(): Show {
  return readShow({
    format: "zealous-mark/show",
    version: 1,
    title: "Salt and Paraffin",
    fixtureTypes,
    channels,
    groups,
    palettes,
    paces: [{ id: "slow-sweep", label: "Slow sweep", position: { fade: 6, delay: "0~2", curve: "ease" } }],
    lists: [{ id: "main", label: "Main", marks: { policy: "late" }, cues: actOne }],
  });
}
export { TRIAL_SIZES, type TrialSize, trialShow } from "./trial.ts";
export { type Random, randomFrom } from "./random.ts";
