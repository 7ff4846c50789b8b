import type { Cue, MoveSpec, Moves, Part, PartTimes, Trigger } from "@zm/core";
import { channels, groups } from "./rig.ts";

const ATTRIBUTES = new Map(channels.map((channel) => [channel.number, channel.type]));

/** The channels of a group, or a few of them by their place in it, from 1. */
function lights(group: string, ...places: number[]): number[] {
  const all = groups.find((each) => each.id === group)?.channels ?? [];
  return places.length === 0 ? all : all.filter((_, index) => places.includes(index + 1));
}

function merge(...all: Moves[]): Moves {
  const merged: Moves = {};
  for (const moves of all) for (const [channel, own] of Object.entries(moves)) merged[channel] = { ...merged[channel], ...own };
  return merged;
}

function each(numbers: number[], make: (index: number) => Record<string, MoveSpec>): Moves {
  return Object.fromEntries(numbers.map((number, index) => [String(number), make(index)]));
}

/** A level for all, or one for each light in turn. */
function level(numbers: number[], ...levels: number[]): Moves {
  return each(numbers, (index) => ({ intensity: levels[Math.min(index, levels.length - 1)] ?? 0 }));
}

function colour(numbers: number[], palette: string, timing: { fade?: number; delay?: number } = {}): Moves {
  return each(numbers, () => ({ red: { palette, ...timing }, green: { palette, ...timing }, blue: { palette, ...timing } }));
}

function position(numbers: number[], palette: string, fan = 0): Moves {
  return each(numbers, (index) => {
    const timing = fan > 0 ? { delay: Math.round(fan * index * 100) / 100 } : {};
    return { pan: { palette, ...timing }, tilt: { palette, ...timing } };
  });
}

function beam(numbers: number[], zoom: number, gobo?: number): Moves {
  return each(numbers, (index) => {
    const profile = ATTRIBUTES.get(numbers[index] ?? 0) === "profile";
    return { zoom, ...(profile && gobo !== undefined ? { gobo } : {}) };
  });
}

interface CueDetails extends Partial<Omit<Cue, "number" | "label" | "parts">> {
  times?: PartTimes;
  more?: Part[];
}

function cue(number: string, label: string, { times = {}, more = [], ...fields }: CueDetails, ...moves: Moves[]): Cue {
  return { number, label, ...fields, parts: [{ number: 1, times, moves: merge(...moves) }, ...more] };
}

function part(number: number, label: string, times: PartTimes, ...moves: Moves[]): Part {
  return { number, label, times, moves: merge(...moves) };
}

function fromGo(after: number): Trigger {
  return { type: "follow", from: "go", after };
}
function fromEnd(after: number): Trigger {
  return { type: "follow", from: "complete", after };
}

const cabin = lights("cabin");
const lantern = lights("lantern");
const sea = lights("sea");
const front = lights("front");
const door = lights("door");
const washes = lights("washes");
const booms = lights("booms");
const back = lights("back");
const everything = channels.map((channel) => channel.number);

function blackout(number: string, label: string, scene: string, trigger?: Trigger): Cue {
  return cue(
    number,
    label,
    { scene, block: true, assert: true, times: { up: 0, down: 0 }, ...(trigger ? { trigger } : {}) },
    level(everything, 0),
  );
}

/** The cues of act one of Salt and Paraffin. */
export const actOne: Cue[] = [
  cue(
    "0.5",
    "Preset",
    { scene: "I.1", times: { up: 5, down: 5 } },
    level(sea, 22),
    colour(sea, "deep-sea"),
    level(back, 15),
    level(front, 30, 35, 40, 40, 35, 30),
    colour(booms, "moon"),
    beam(washes, 34),
  ),
  cue("1", "House to half", { scene: "I.1", times: { up: 4, down: 6 } }, level(front, 12), level(sea, 14)),
  cue("1.5", "House out", { scene: "I.1", times: { down: 4 }, trigger: fromEnd(2) }, level(front, 0), level(back, 0)),
  cue(
    "2",
    "Night sea",
    { scene: "I.1", times: { up: 8, down: 5, colour: { fade: 6 } } },
    level(sea, 35, 32, 30, 28, 26, 24, 24, 26, 28, 30, 32, 35),
    colour(sea, "moon"),
    level(booms, 18),
    position(washes, "wide"),
    colour(washes, "moon"),
  ),
  cue(
    "3",
    "Ada with the lamp",
    { scene: "I.1", times: { up: 3 } },
    level(door, 45, 40, 30, 20),
    level([61, 62], 35),
    position([61, 62], "window"),
    colour([61, 62], "lamplight"),
    beam([61, 62], 18, 0),
  ),
  cue(
    "4",
    "She climbs",
    {
      scene: "I.1",
      times: { up: 6, down: 8, position: { fade: 9 } },
      more: [
        part(2, "The stairs", { up: 4, upDelay: 3 }, level([75, 76], 40), position([75, 76], "stairs"), colour([75, 76], "lamplight")),
      ],
    },
    position([61, 62], "stairs"),
    level(door, 20, 15, 10, 0),
  ),
  cue("5", "The wick catches", { scene: "I.1", times: { up: 1.5 } }, level(lantern, 40, 55, 40, 30)),
  cue(
    "5.3",
    "It flares",
    { scene: "I.1", times: { up: 0.4, down: 1.2 }, trigger: fromGo(1.5), carries: "cueOnly" },
    level(lantern, 100, 90, 80, 70),
  ),
  cue(
    "5.5",
    "The lantern steadies",
    { scene: "I.1", times: { up: 4, down: 3 }, trigger: fromEnd(0.5) },
    level(lantern, 80, 85, 75, 60),
    level([63, 66], 55),
    position([63, 66], "sky"),
    colour([63, 66], "lamplight"),
    beam([63, 66], 9, 2),
  ),
  cue(
    "6",
    "The keeper's room",
    { scene: "I.2", times: { up: 7, down: 9, downDelay: 2 } },
    level(cabin, 60, 55, 60, 45, 45, 55, 50, 40),
    level([61, 62], 0),
    level([75, 76], 15),
    level(front, 25, 30, 35, 35, 30, 25),
  ),
  cue(
    "7",
    "Ada sets the table",
    { scene: "I.2", times: { up: 4, down: 6 } },
    level([64, 65], 60),
    position([64, 65], "table"),
    colour([64, 65], "lamplight"),
    beam([64, 65], 14, 0),
    level(cabin, 50, 60, 65, 50, 40, 40, 35, 30),
  ),
  cue("8", "Kettle", { scene: "I.2", times: { up: 2 } }, level([12, 13], 95), level([3, 4], 70, 60)),
  cue(
    "9",
    "Wind gets up",
    { scene: "I.2", times: { up: 8, down: 8 } },
    level(sea, 45),
    colour(sea, "storm", { fade: 10 }),
    level(back, 10),
  ),
  cue(
    "9.5",
    "Shutter bangs",
    { scene: "I.2", times: { up: 0, down: 0 }, trigger: fromGo(2), carries: "cueOnly" },
    level(door, 80, 70, 60, 50),
    level(cabin, 25),
  ),
  cue(
    "10",
    "She latches it",
    { scene: "I.2", times: { up: 1, down: 2 } },
    level(door, 8, 5, 0, 0),
    level(cabin, 45, 55, 60, 45, 35, 35, 30, 25),
  ),
  cue("11", "A knock", { scene: "I.2", times: { up: 0.5, down: 3 } }, level(front, 15, 20, 25, 25, 20, 15)),
  cue(
    "12",
    "Edwin at the door",
    {
      scene: "I.3",
      times: { up: 3, down: 5, colour: { fade: 4 } },
      more: [part(2, "Cold from outside", { up: 6, upDelay: 1 }, level(booms, 45, 40, 20, 20, 10, 10), colour(booms, "storm"))],
    },
    level(door, 85, 75, 60, 45),
    level([67], 50),
    position([67], "window"),
    colour([67], "storm"),
    level(cabin, 40, 45, 50, 40, 30, 30, 25, 20),
  ),
  cue(
    "12.3",
    "Lightning",
    { scene: "I.3", times: { up: 0, down: 1.5 }, trigger: fromEnd(0.4), carries: "cueOnly" },
    level(sea, 100),
    level(back, 90),
    colour(sea, "electric"),
  ),
  cue(
    "12.6",
    "And again",
    { scene: "I.3", times: { up: 0, down: 0.8 }, trigger: fromGo(0.6), carries: "isolated" },
    level(sea, 90),
    colour(sea, "electric"),
    level(lantern, 70),
    level(cabin, 15),
  ),
  cue(
    "13",
    "He comes in",
    { scene: "I.3", times: { up: 4, down: 4 }, trigger: fromEnd(1) },
    level(door, 40, 30, 20, 10),
    level(cabin, 55, 60, 65, 50, 40, 40, 35, 30),
    level([67], 0),
  ),
  cue(
    "14",
    "The crate",
    { scene: "I.3", times: { up: 3, down: 4, position: { fade: 5, delay: 0.5 } } },
    position([64, 65], "stairs"),
    level([64, 65], 75),
    level([73, 74], 35),
    position([73, 74], "table"),
    colour([73, 74], "lamplight"),
  ),
  cue(
    "15",
    "Then leave the lamp",
    { scene: "I.3", times: { up: 5, down: 7 } },
    level(lantern, 100, 100, 90, 80),
    level(cabin, 40, 40, 45, 35, 25, 25, 20, 15),
  ),
  cue("15.5", "Lamp falters", { scene: "I.3", times: { up: 6, down: 9 } }, level(lantern, 40, 35, 25, 20), level([63, 66], 20)),
  cue("16", "Relight", { scene: "I.3", times: { up: 1.5 } }, level(lantern, 100, 95, 90, 85), level([63, 66], 60)),
  cue(
    "17",
    "Quarrel",
    { scene: "I.3", times: { up: 5, down: 7 } },
    level(front, 40, 45, 50, 50, 45, 40),
    level(booms, 55, 50, 35, 35, 30, 30),
    colour(booms, "dusk"),
  ),
  cue("17.5", "He turns away", { scene: "I.3", times: { up: 4, down: 4 } }, level(booms, 65, 50, 25, 20, 10, 5), level([73, 74], 0)),
  cue(
    "18",
    "Ada alone",
    { scene: "I.3", times: { up: 8, down: 10 } },
    level(front, 10, 15, 20, 20, 15, 10),
    level(cabin, 25, 30, 40, 30, 15, 10, 10, 5),
    level([64, 65], 40),
    position([64, 65], "table"),
    level([68], 45),
    position([68], "table"),
    colour([68], "moon"),
    beam([68], 10, 0),
  ),
  cue(
    "19",
    "Gulls",
    { scene: "I.3", times: { up: 4 }, trigger: fromGo(6) },
    level(sea, 55, 50, 45, 40, 40, 40, 40, 40, 40, 45, 50, 55),
    colour(sea, "dusk", { fade: 8 }),
  ),
  cue(
    "20",
    "She reads the letter",
    { scene: "I.3", times: { up: 6, down: 6 } },
    level([68], 70),
    level(cabin, 15, 20, 30, 20, 10, 5, 5, 0),
  ),
  cue("20.5", "Folds it", { scene: "I.3", times: { down: 3 } }, level([68], 35), level(lantern, 90, 85, 80, 70)),
  blackout("21", "Blackout", "I.3"),
  cue(
    "22",
    "Morning, low tide",
    { scene: "I.4", block: true, times: { up: 12, colour: { fade: 0 } } },
    level(sea, 70, 72, 74, 76, 78, 80, 80, 78, 76, 74, 72, 70),
    colour(sea, "dawn"),
    level(cabin, 30),
    level(back, 35),
    level(booms, 30),
    colour(booms, "dawn"),
    position(washes, "wide"),
    colour(washes, "dawn"),
    beam(washes, 40),
  ),
  cue(
    "22.5",
    "Sun on the step",
    { scene: "I.4", times: { up: 15 }, trigger: fromGo(6) },
    level(washes, 20, 30, 40, 45, 45, 40, 30, 20),
    level(door, 60, 55, 40, 30),
  ),
  cue(
    "23",
    "Crate arrives",
    { scene: "I.4", times: { up: 3, down: 5 } },
    level([63, 64], 55),
    position([63, 64], "window"),
    colour([63, 64], "electric"),
    beam([63, 64], 20, 0),
    level(cabin, 55, 55, 60, 60, 50, 50, 45, 45),
  ),
  cue(
    "24",
    "Unpacking",
    { scene: "I.4", times: { up: 4, position: { fade: 6 } } },
    position([63, 64], "table", 0.4),
    level(front, 45, 50, 55, 55, 50, 45),
  ),
  cue(
    "24.2",
    "The first coil",
    { scene: "I.4", times: { up: 2 } },
    level([65], 65),
    position([65], "table"),
    colour([65], "electric"),
    beam([65], 8, 3),
  ),
  cue("24.5", "Wires everywhere", { scene: "I.4", times: { up: 3, down: 3 } }, level(booms, 50, 45, 40, 40, 45, 50), level([65], 30)),
  cue(
    "25",
    "First switch",
    { scene: "I.4", times: { up: 0, down: 2 } },
    level([65], 100),
    level(lantern, 0),
    level([61, 62], 70),
    position([61, 62], "lamp"),
    colour([61, 62], "electric"),
    beam([61, 62], 12, 1),
  ),
  cue(
    "25.2",
    "It trips",
    { scene: "I.4", times: { up: 0, down: 0.2 }, trigger: fromGo(3) },
    level([61, 62, 65], 0),
    level(cabin, 30, 30, 35, 35, 25, 25, 20, 20),
  ),
  cue(
    "25.4",
    "Ada laughs",
    { scene: "I.4", times: { up: 4, down: 4 }, trigger: fromEnd(1.5) },
    level(front, 50, 55, 60, 60, 55, 50),
    level(cabin, 50, 50, 55, 55, 45, 45, 40, 40),
  ),
  cue(
    "26",
    "Dynamo hum",
    { scene: "I.4", times: { up: 6 } },
    level(back, 55),
    level(washes, 30, 40, 50, 55, 55, 50, 40, 30),
    colour(washes, "electric", { fade: 6 }),
  ),
  cue(
    "27",
    "Second switch",
    {
      scene: "I.4",
      times: { up: 0.5, down: 4 },
      more: [
        part(2, "The old lamp answers", { up: 7, upDelay: 2 }, level(lantern, 60, 70, 60, 50)),
        part(3, "The sky goes", { up: 10, upDelay: 1, colour: { fade: 10 } }, colour(sea, "dusk"), level(sea, 45)),
      ],
    },
    level([61, 62], 85),
    level([65], 80),
  ),
  cue(
    "28",
    "They watch it burn",
    { scene: "I.4", times: { up: 9, down: 12 } },
    level(front, 25, 30, 35, 35, 30, 25),
    level(cabin, 20, 20, 25, 25, 15, 15, 10, 10),
    level(washes, 10),
  ),
  cue(
    "29",
    "The old lamp",
    { scene: "I.4", times: { up: 9, down: 14 } },
    level(lantern, 90, 100, 90, 80),
    level([61, 62, 65], 0),
    level(back, 15),
    colour(booms, "moon"),
    level(booms, 15),
  ),
  cue(
    "29.5",
    "Last of the light",
    { scene: "I.4", times: { down: 6 }, trigger: fromEnd(3) },
    level(front, 0),
    level(cabin, 0),
    level(washes, 0),
    level([63, 64], 0),
  ),
  blackout("30", "Blackout, end of act one", "I.4"),
  cue(
    "30.5",
    "Interval",
    { scene: "I.4", block: true, times: { up: 6 }, trigger: fromGo(4) },
    level(sea, 25),
    colour(sea, "deep-sea"),
    level(front, 35),
    level(back, 15),
  ),
];
