import { KEYS, type KeyEntry } from "../shared/keys.ts";

const ALL: readonly KeyEntry[] = Object.values(KEYS);

/** Every key, by where it holds. */
export const KEY_HELP: readonly { readonly where: string; readonly keys: readonly KeyEntry[] }[] = [
  ...new Set(ALL.map(({ where }) => where)),
].map((where) => ({ where: `Keys, ${where}`, keys: ALL.filter((key) => key.where === where) }));

/** Something that is done or found in a view, and words that people look for it by. */
export interface HelpLead {
  readonly does: string;
  readonly how: string;
  readonly found?: string;
  readonly view: string;
}

/** What somebody new does first, step by step, and the view in which it is done. */
export const FIRST_STEPS: readonly HelpLead[] = [
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

/** What people look for by other words than ours: how it is called here, where it is, and the view to go to. */
export const PLACES: readonly HelpLead[] = [
  {
    does: "Nothing has to be saved",
    how: "every change is stored at once; History keeps each of them, and states that you give a name",
    found: "save autosave version backup restore",
    view: "history",
  },
  {
    does: "The show as a file",
    how: "the menu at the show's name, top left: Export, Import",
    found: "export import file save backup download copy usb json document",
    view: "score",
  },
  {
    does: "Palettes",
    how: "values with a name, of one family; cues that refer to them follow when they change",
    found: "preset reference colour position library",
    view: "rig/palettes",
  },
  {
    does: "Held looks on the shelf",
    how: "looks on faders beside the list, opened with l: house lights, work light, what runs before the show",
    found: "house lights work light worklight submaster preset scene fader cleaners",
    view: "run",
  },
  { does: "Bump a held look", how: "on its strip of the shelf, full while it is pressed", found: "flash strobe hit key", view: "run" },
  {
    does: "Which light is which",
    how: "click it on the Stage, or type  5 = full  with  others out  behind it, live",
    found: "highlight identify find lamp solo only",
    view: "stage",
  },
  {
    does: "Why a light is as it is",
    how: "choose its cell in the Score: the inspector says which cue moved it, and until when it tracks",
    found: "why where does it come from source origin tracking explain",
    view: "score",
  },
  {
    does: "A list that goes on by itself",
    how: "on its strip of the shelf: goes on by itself every so many seconds, or at a tempo",
    found: "interval steps chase chaser loop sequence effect",
    view: "run",
  },
  {
    does: "Go to a cue",
    how: "in Run: its number, its own times or a time; or choose it in the spine",
    found: "goto jump skip",
    view: "run",
  },
  {
    does: "Lights prepared in the dark",
    how: "the Planner: what moves where before it is called, what is late, and a plan for all",
    found: "mark prepare preset position move in the dark late",
    view: "planner",
  },
  {
    does: "Addresses",
    how: "Rig, Lights: universe and address of each light; Output: where they are sent",
    found: "universe patch dmx address channel sacn e1.31 output",
    view: "rig/lights",
  },
];
