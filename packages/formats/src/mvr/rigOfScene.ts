import { type Channel, type FixtureType, type Group, type Show, freeIdAmong, isFixed, landing, plainId } from "@zm/core";
import type { GdtfMode, GdtfType } from "../gdtf/description.ts";
import { typeOfMode } from "../gdtf/typeOfMode.ts";
import { OUR_TYPES } from "../gdtf/ourTypes.ts";
import type { Remark } from "../report/remark.ts";
import { ourLook, ourPlace, ourTurn } from "./matrix.ts";
import type { DrawnLight, DrawnScene } from "./scene.ts";

/** A drawn rig in our terms: types, lights and groups, and what of the drawing is not among them. */
export interface DrawnRig {
  readonly types: readonly FixtureType[];
  readonly channels: readonly Channel[];
  readonly groups: readonly Group[];
  readonly remarks: readonly Remark[];
}

const MOST_LABEL = 200;
/** How deep a stage is taken to be, metres, where a fixed light looks at its back. */
const BACK = 14;
/** What a light is made whose type no file describes. */
const UNKNOWN: FixtureType["attributes"] = [{ id: "intensity", family: "intensity", min: 0, max: 100, home: 0 }];

/**
 * The rig that a drawing shows. A light whose number is none, or another's, gets the next free one; one whose type no file describes becomes a light with a level.
 * Types of our own keep the type that the show has. Layers and classes become groups.
 */
export function rigOfScene(scene: DrawnScene, known: readonly FixtureType[]): DrawnRig {
  const remarks: Remark[] = scene.unread.map((words) => ({ kind: "left", words }));
  for (const [kind, number] of scene.others)
    remarks.push({ kind: "left", words: `${number} × ${kind}: what is drawn beside the lights stays in the drawing` });
  const types = new Map<string, FixtureType>();
  const numbers = numbersOf(scene.lights, remarks);
  const channels = scene.lights.map((light, at): Channel => {
    const type = typeOf(light, scene, known, types, remarks);
    return channelOf(light, numbers[at] ?? 0, type, [...known, ...types.values()]);
  });
  const rising = channels.sort((a, b) => a.number - b.number);
  return { types: [...types.values()], channels: rising, groups: groupsOf(scene.lights, numbers), remarks };
}

function numbersOf(lights: readonly DrawnLight[], remarks: Remark[]): number[] {
  const taken = new Set<number>();
  const wanted = lights.map(({ number }) => {
    const own = /^\d{1,5}$/.test(number) ? Number(number) : 0;
    if (own < 1 || taken.has(own)) return 0;
    taken.add(own);
    return own;
  });
  let next = Math.max(0, ...taken);
  return wanted.map((own, at) => {
    if (own > 0) return own;
    next += 1;
    const { name, number } = lights[at] ?? { name: "", number: "" };
    const why = number === "" ? "it has no number" : `its number “${number}” is ${/^\d+$/.test(number) ? "that of another light" : "none"}`;
    remarks.push({ kind: "changed", words: `${name || "a light"} becomes ${next}: ${why}` });
    return next;
  });
}

function typeOf(
  light: DrawnLight,
  scene: DrawnScene,
  known: readonly FixtureType[],
  types: Map<string, FixtureType>,
  remarks: Remark[],
): string {
  const key = `${light.spec}\n${light.mode}`;
  const found = types.get(key);
  if (found) return found.id;
  const described = scene.types.get(light.spec);
  const ours = described && ourOwn(described, known);
  if (ours) return ours.id;
  const mode = described?.modes.find(({ name }) => name === light.mode) ?? described?.modes[0];
  const made = described && mode ? typeDescribed(described, mode, remarks) : undescribed(light, remarks);
  if (mode && mode.name !== light.mode)
    remarks.push({ kind: "changed", words: `${light.spec} has no mode “${light.mode}”; ${mode.name} is taken` });
  types.set(key, made);
  return made.id;
}

function typeDescribed(described: GdtfType, mode: GdtfMode, remarks: Remark[]): FixtureType {
  const { type, remarks: told } = typeOfMode(described, mode);
  remarks.push(...told);
  return type;
}

/** The type of the show that a file of ours was written from. */
function ourOwn({ maker, shortName }: GdtfType, known: readonly FixtureType[]): FixtureType | undefined {
  return maker === OUR_TYPES ? known.find(({ id }) => id === shortName) : undefined;
}

function undescribed({ spec, mode }: DrawnLight, remarks: Remark[]): FixtureType {
  const name = [spec, mode].filter((each) => each !== "").join(", ") || "Unknown light";
  remarks.push({ kind: "changed", words: `${name}: no file describes it; it becomes a light with a level` });
  return { id: plainId(name) || "unknown", name: name.slice(0, MOST_LABEL), attributes: UNKNOWN };
}

function channelOf(light: DrawnLight, number: number, type: string, types: readonly FixtureType[]): Channel {
  const [patch, ...more] = light.addresses.slice(0, 8);
  const place = ourPlace(light.matrix.place);
  const turn = ourTurn(light.matrix);
  const aim = light.focus ? ourPlace(light.focus.place) : turn ? rounded(landing(place, ourLook(light.matrix), BACK)) : undefined;
  const isStill = isFixed({ fixtureTypes: [...types] }, type);
  const label = light.name.replace(/\s+/g, " ").trim().slice(0, MOST_LABEL);
  return {
    number,
    type,
    ...(label === "" ? {} : { label }),
    ...(patch ? { patch: { ...patch, ...(more.length > 0 ? { more } : {}) } } : {}),
    place: { ...place, ...(isStill && aim ? { aim } : {}), ...(turn ? { turn } : {}) },
  };
}

function rounded({ x, y, z }: { x: number; y: number; z: number }) {
  const each = (length: number): number => Math.round(length * 100) / 100 || 0;
  return { x: each(x), y: each(y), z: each(z) };
}

function groupsOf(lights: readonly DrawnLight[], numbers: readonly number[]): Group[] {
  const members = new Map<string, number[]>();
  lights.forEach(({ layer, drawnClass }, at) => {
    for (const label of new Set([layer, drawnClass])) {
      if (label.trim() === "") continue;
      members.set(label, [...(members.get(label) ?? []), numbers[at] ?? 0]);
    }
  });
  const groups: Group[] = [];
  for (const [name, channels] of members) {
    const label = name.trim().slice(0, MOST_LABEL);
    groups.push({ id: freeIdAmong(label, groups), label, channels: [...channels].sort((a, b) => a - b) });
  }
  return groups;
}

/** A show with nothing in it but a drawn rig. */
export function showOfRig(empty: Show, { types, channels, groups }: DrawnRig): Show {
  return { ...empty, fixtureTypes: [...types], channels: [...channels], groups: [...groups] };
}
