import { KEYS, type KeyEntry } from "../shared/keys.ts";

const ALL: readonly KeyEntry[] = Object.values(KEYS);

/** Every key, by where it holds. */
export const KEY_HELP: readonly { readonly where: string; readonly keys: readonly KeyEntry[] }[] = [
  ...new Set(ALL.map(({ where }) => where)),
].map((where) => ({ where: `Keys, ${where}`, keys: ALL.filter((key) => key.where === where) }));

/** What somebody new does first, step by step, and the view in which it is done. */
export const FIRST_STEPS: readonly { readonly does: string; readonly how: string; readonly view: string }[] = [
  { does: "Make a type of light", how: "what it can do: a level, pan and tilt, colours", view: "rig/types" },
  { does: "Add lights", how: "1 to 12, of a type, from an address; or type  patch 1..12 as led-wash from 1.1", view: "rig/lights" },
  { does: "Make groups", how: 'lights that you often take together; or type  keep group "Front" 1..6', view: "rig/groups" },
  { does: "Build the first look", how: "choose lights on the Stage and give them levels; or type  1..6 = 70", view: "stage" },
  {
    does: "Record it",
    how: "n records what is in hand as the next cue; r opens the sheet with everything that can be said",
    view: "stage",
  },
  { does: "Build the next look on it", how: "a cue stores only what changes; the rest tracks on", view: "stage" },
  { does: "Read and change cues", how: "the Score shows every cue; nothing moves on stage while you edit there", view: "score" },
  { does: "Run it", how: "Go, back, hold; Ctrl Enter presses Go", view: "run" },
];
