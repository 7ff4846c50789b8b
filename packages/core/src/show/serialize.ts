import { type Rig, rigOf } from "./rig.ts";
import type { Cue, CueList, MoveSpec, Moves, Show } from "./schema.ts";

const CUE_ORDER = ["number", "label", "note", "scene", "block", "assert", "carries", "trigger", "mark", "call", "actions"] as const;

/**
 * The show as the text of the open document: fields, cues, parts and moves always in the same order, so that the same
 * show is the same text byte for byte and two versions can be compared line by line.
 */
export function serializeShow(show: Show): string {
  return `${JSON.stringify(orderedShow(show), undefined, 1)}\n`;
}

/** A copy of the show whose fields stand in the one fixed order. */
export function orderedShow(show: Show): Show {
  const rig = rigOf(show);
  const { format, version, title, fixtureTypes, channels, groups, palettes, paces, lists, script, newCue } = show;
  return {
    format,
    version,
    title,
    fixtureTypes,
    channels,
    groups,
    palettes,
    paces,
    lists: lists.map((list) => orderedList(list, rig)),
    ...(script ? { script } : {}),
    ...(newCue ? { newCue } : {}),
  };
}

function orderedList(list: CueList, rig: Rig): CueList {
  const { id, label, marks, cues } = list;
  return { id, label, ...(marks ? { marks } : {}), cues: cues.map((cue) => orderedCue(cue, rig)) };
}

function orderedCue(cue: Cue, rig: Rig): Cue {
  const head = pick(cue, CUE_ORDER);
  const parts = cue.parts.map((part) => ({
    ...pick(part, ["number", "label", "curve"]),
    times: pick(part.times, ["up", "down", "upDelay", "downDelay", "position", "colour", "beam"]),
    moves: orderedMoves(part.moves, rig),
  }));
  return { ...head, parts };
}

function orderedMoves(moves: Moves, rig: Rig): Moves {
  const ordered: Moves = {};
  for (const [channel, attributes] of Object.entries(moves)) {
    const row: Record<string, MoveSpec> = {};
    for (const name of rig.attributes.get(Number(channel))?.keys() ?? []) {
      const spec = attributes[name];
      if (spec !== undefined) row[name] = typeof spec === "number" ? spec : orderedMove(spec);
    }
    ordered[channel] = row;
  }
  return ordered;
}

function orderedMove(spec: Exclude<MoveSpec, number>): MoveSpec {
  const timing = pick(spec, ["fade", "delay", "curve"]);
  if (spec.value !== undefined) return { value: spec.value, ...timing };
  return spec.palette === undefined ? { release: true, ...timing } : { palette: spec.palette, ...timing };
}

function pick<T extends object, K extends keyof T>(from: T, names: readonly K[]): Pick<T, K> {
  const entries = names.filter((name) => from[name] !== undefined).map((name) => [name, from[name]] as const);
  return Object.fromEntries(entries) as Pick<T, K>;
}
