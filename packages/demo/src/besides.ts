import type { Action, ColourList, Cue, CueList, HeldLook, Movement, Note, Page, Tempo } from "@zm/core";
import { back, beam, booms, cabin, colour, cue, front, lantern, lights, level, position } from "./build.ts";

/** The light that goes round out at sea. */
const TOWER = [67];

/** What runs beside the main list: the beam of the tower, and the flame in the lantern. */
export const sideLists: CueList[] = [
  {
    id: "tower",
    label: "Tower",
    marks: { policy: "view" },
    steps: { tempo: "swell", order: "bounce", rounds: 0 },
    releaseTime: 2,
    cues: [tower("1", "Out at sea", "sky"), tower("2", "Over the rail", "window"), tower("3", "Into the room", "lamp")],
  },
  {
    id: "flame",
    label: "Flame",
    releaseTime: 1.5,
    fader: "size",
    cues: [
      {
        number: "1",
        label: "It burns",
        parts: [{ number: 1, times: { up: 2, down: 2 }, moves: {}, waves: flicker(9, 0.28) }],
      },
      {
        number: "2",
        label: "It gutters",
        parts: [{ number: 1, times: { up: 3, down: 3 }, moves: {}, waves: flicker(22, 0.17) }],
      },
    ],
  },
];

export const tempos: Tempo[] = [{ id: "swell", label: "Swell", perMinute: 20 }];

/** Looks on faders, for before and after the play and for those who work on the stage. */
export const heldLooks: HeldLook[] = [
  {
    id: "preshow",
    label: "Preshow",
    fade: 4,
    values: { ...level(front, 20), ...level(back, 18), ...withColour(lights("sea"), 30, "dusk") },
  },
  { id: "worklight", label: "Worklight", priority: 80, values: { ...level(cabin, 80), ...level(back, 70) } },
  { id: "cold", label: "Cold wash", levels: "latest", fade: 3, values: withColour(booms, 40, "moon") },
];

/** The page of the shelf for the second act: what is pressed there by hand. */
export const pages: Page[] = [
  {
    id: "second-act",
    label: "Second act",
    items: [
      { list: "tower" },
      { list: "flame" },
      { look: "worklight" },
      { do: { do: "goto", list: "tower", cue: "2" }, label: "Beam at the rail" },
      { do: { do: "master", list: "flame", level: 40, time: 3 }, label: "Flame low" },
      {
        set: [
          { list: "tower", cue: "1" },
          { list: "flame", cue: "2" },
        ],
        label: "Storm outside",
      },
    ],
  },
];

/** What was asked for from the house. */
export const notes: Note[] = [
  {
    id: "stairs",
    text: "The switch a little brighter",
    list: "main",
    cue: "27",
    channels: [65],
    asked: "20 Nov, 20:31, Maren",
    done: true,
    answer: "65 up by ten",
  },
  { id: "fainter", text: "The flame fainter than in the first act", list: "main", cue: "54", asked: "20 Nov, 21:40, Maren" },
];

/** Ready movements: the slow look over the water, and the shiver of the lamp room. */
export const movements: Movement[] = [
  {
    id: "over-the-water",
    label: "Over the water",
    waves: [
      { attribute: "pan", shape: "sine", size: 18 },
      { attribute: "tilt", shape: "sine", size: 5, phase: 90, times: 2 },
    ],
    period: 12,
    spread: 120,
  },
];

/** Colours by the numbers on the paint-shop's own samples. */
export const colourLists: ColourList[] = [
  {
    id: "wharf-samples",
    label: "Wharf samples",
    colours: [
      { number: "W1", name: "Weak tea", rgb: "#ffdca8" },
      { number: "W2", name: "Rope", rgb: "#e8b36a" },
      { number: "W3", name: "Rusted rail", rgb: "#c4532f" },
      { number: "W4", name: "Kelp", rgb: "#4f7d4a" },
      { number: "W5", name: "Fog bank", rgb: "#c9d6e2" },
      { number: "W6", name: "Oilskin", rgb: "#f2c21f" },
      { number: "W7", name: "Undertow", rgb: "#1d4f73" },
    ],
  },
];

/** A cue that was cut in rehearsal and may come back. */
export const cut: Cue[] = [
  cue(
    "70.2",
    "A spark in the lantern",
    { scene: "II.4", note: "Cut on the second run; the silence carries it.", times: { up: 0.4, down: 3 } },
    level(lantern, 14),
  ),
];

/** What cues of the main list do besides, by their numbers. */
const ACTIONS: Readonly<Record<string, Action[]>> = {
  "5": [{ do: "start", list: "flame", after: 1 }],
  "15.5": [{ do: "go", list: "flame" }],
  "16": [{ do: "back", list: "flame" }],
  "21": [{ do: "release", list: "flame", time: 0 }],
  "41": [{ do: "start", list: "tower" }],
  "44.6": [{ do: "release", list: "tower", time: 1.5 }],
  "54": [{ do: "start", list: "flame" }],
  "62": [{ do: "release", list: "flame", time: 0 }],
};

/** A cue of the main list with what it does besides. */
export function acting(each: Cue): Cue {
  const actions = ACTIONS[each.number];
  return actions ? { ...each, actions } : each;
}

function tower(number: string, label: string, place: string): Cue {
  const times = { up: 1, down: 1, position: { fade: 2.6 } };
  return cue(number, label, { times }, level(TOWER, 65), position(TOWER, place), colour(TOWER, "electric"), beam(TOWER, 8, 0));
}

/** The lamps of the lantern, each flickering in its own way. */
function flicker(size: number, period: number): NonNullable<Cue["parts"][number]["waves"]> {
  return Object.fromEntries(lantern.map((number) => [String(number), { intensity: { shape: "flicker", size, period } }]));
}

function withColour(numbers: number[], intensity: number, palette: string): HeldLook["values"] {
  return Object.fromEntries(
    numbers.map((number) => [String(number), { intensity, red: { palette }, green: { palette }, blue: { palette } }]),
  );
}
