import type { Cue, EditInput, MoveSpec, Moves, Show } from "../../src/index.ts";
import { foldLooks } from "./fold.ts";

/**
 * A random edit made to fit a show, so that most can be made: cues that the list has, numbers that are free, lights that the cue
 * works on, values that it shows. One in twelve is left as it is. `pick` decides between what would fit.
 */
export function fitEdit(show: Show, edit: EditInput, pick: number): EditInput {
  const cues = show.lists[0]?.cues ?? [];
  if (pick % 12 === 0 || cues.length < 2) return edit;
  const any = (some: readonly Cue[]): Cue => some[pick % some.length] ?? { number: "1", parts: [] };
  const cueOf = (number: string): Cue => cues.find((cue) => cue.number === number) ?? any(cues);
  const ordered = (from: string, to: string): { from: string; to: string } => {
    const [a, b] = [cueOf(from).number, cueOf(to).number];
    return Number(a) <= Number(b) ? { from: a, to: b } : { from: b, to: a };
  };
  const last = cues.at(-1)?.number ?? "1";
  const working = cues.filter((cue) => channelsOf(cue).length > 0);
  switch (edit.op) {
    case "record": {
      // The last cue cannot keep to itself what tracks on.
      const inside = edit.scope === "cueOnly" || edit.mode === "remove" ? cues.slice(0, -1) : cues;
      const known = inside.some(({ number }) => number === edit.cue);
      return known || (edit.mode !== "remove" && edit.scope !== "cueOnly") ? edit : { ...edit, cue: any(inside).number };
    }
    case "update":
      return fitUpdate(show, { ...edit, cue: cueOf(edit.cue).number });
    case "deleteCue":
      return { ...edit, cue: cueOf(edit.cue).number };
    case "switchOff":
      return { ...edit, ...ordered(edit.from, edit.to) };
    case "insertCue":
      return { ...edit, cue: freeBehind(cues, any(cues).number) };
    case "split": {
      const cue = any(working);
      return { ...edit, cue: cue.number, to: freeBehind(cues, cue.number), keys: { channels: channelsOf(cue).slice(0, 1) } };
    }
    case "assignPart": {
      const cue = any(working);
      return { ...edit, cue: cue.number, keys: { channels: channelsOf(cue).slice(0, 1) } };
    }
    case "copyCue": {
      const into = edit.toList === undefined ? cues : (show.lists.find(({ id }) => id === edit.toList)?.cues ?? []);
      return { ...edit, cue: cueOf(edit.cue).number, to: freeBehind(into, into[pick % Math.max(1, into.length)]?.number ?? "1") };
    }
    case "moveCue":
      return { ...edit, cue: cueOf(edit.cue).number, to: freeBehind(cues, any(cues).number) };
    case "renumber": {
      const from = any(cues).number;
      if (edit.numbers) return { ...edit, from, to: from, numbers: { [from]: freeBehind(cues, from) } };
      return { ...edit, from, to: last, start: pick % 2 === 0 ? from : String(Math.ceil(Number(from))) };
    }
    case "stretch":
      return fitStretch(cues, edit, pick);
    case "setPart": {
      const found = any(cues);
      return { ...edit, cue: found.number, part: found.parts.at(-1)?.number ?? 1 };
    }
    case "recast":
      if (Array.isArray(edit.channel)) return { ...edit, from: "0", to: last };
      return { ...edit, from: "0", to: last, as: edit.channel === edit.as ? (edit.channel === 5 ? 1 : 5) : edit.as, skipMissing: true };
    case "swapPalette":
    case "setMoveTimes":
      return { ...edit, from: "0", to: last };
    case "change":
    case "setTimes":
    case "setCue":
    case "block":
    case "unblock":
    case "restate":
    case "unrestate":
      return { ...edit, ...ordered(edit.from, edit.to) };
    default:
      return fitEntry(show, edit);
  }
}

/** A cue that waits for a Go, and those that follow it. */
function fitStretch(cues: readonly Cue[], edit: Extract<EditInput, { op: "stretch" }>, pick: number): EditInput {
  const timed = cues.filter(({ parts }) => parts.some(({ times }) => (times.up ?? 0) > 0));
  const from = timed[pick % Math.max(1, timed.length)]?.number ?? edit.from;
  return { ...edit, from, to: from };
}

/** What stands beside the cues: a thing that is in use is taken away with its uses, a number is taken that is free. */
function fitEntry(show: Show, edit: EditInput): EditInput {
  switch (edit.op) {
    case "removeChannel":
      return { ...edit, used: "drop" };
    case "removePalette":
      return { ...edit, used: edit.used === "refuse" ? "keepLooks" : edit.used };
    case "renumberChannel":
      return { ...edit, to: Math.max(...show.channels.map(({ number }) => number)) + 1 };
    case "setChannel": {
      // Another type may lack what the light does in cues.
      const known = show.channels.find(({ number }) => number === edit.channel.number);
      return { ...edit, channel: { ...edit.channel, type: known?.type ?? edit.channel.type } };
    }
    case "removeType":
      return { ...edit, type: "spare" };
    case "setType":
      return {
        ...edit,
        type: {
          ...edit.type,
          attributes: [
            { ...LEVEL, max: 100 },
            { id: "frost", family: "beam", min: 0, max: 8, home: 0 },
          ],
        },
      };
    default:
      return edit;
  }
}

const LEVEL = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 } as const;

/** Only values that the cue shows can be updated, and in a palette only those that come from one. */
function fitUpdate(show: Show, edit: Extract<EditInput, { op: "update" }>): EditInput {
  const row = show.lists[0]?.cues.findIndex((cue) => cue.number === edit.cue) ?? -1;
  const look = foldLooks(show)[row] ?? new Map<string, number>();
  const moves: Moves = {};
  for (const [channel, attributes] of Object.entries(edit.moves)) {
    for (const [attribute, spec] of Object.entries(attributes)) {
      if (look.has(`${channel}.${attribute}`) && fitsPlace(show, row, channel, attribute, spec, edit.at))
        (moves[channel] ??= {})[attribute] = spec;
    }
  }
  return Object.keys(moves).length > 0 ? { ...edit, moves } : { ...edit, at: "here" };
}

function fitsPlace(show: Show, row: number, channel: string, attribute: string, spec: MoveSpec, at: string): boolean {
  if (at !== "inPalette") return true;
  const plain = typeof spec === "number" || spec.value !== undefined;
  const cues = show.lists[0]?.cues.slice(0, row + 1) ?? [];
  const stored = cues.flatMap(({ parts }) => parts.map(({ moves }) => moves[channel]?.[attribute])).filter((move) => move !== undefined);
  const newest = stored.at(-1);
  return plain && typeof newest === "object" && newest.palette !== undefined;
}

function channelsOf(cue: Cue): number[] {
  return [...new Set(cue.parts.flatMap((part) => Object.keys(part.moves).map(Number)))];
}

/** A number between a cue and the next. */
function freeBehind(cues: readonly Cue[], number: string): string {
  const at = Number(number);
  const next = Math.min(...cues.map((cue) => Number(cue.number)).filter((other) => other > at), at + 2);
  return String(Math.round(((at + next) / 2) * 1000) / 1000);
}

/** So many tries of a kind tell what share of them is made. */
const ENOUGH = 20;

/** How many edits of each kind were made, of those that were tried. */
export class Accepted {
  private readonly kinds = new Map<string, { tried: number; made: number }>();

  count(edit: EditInput, made: boolean): void {
    const kind = this.kinds.get(edit.op) ?? { tried: 0, made: 0 };
    this.kinds.set(edit.op, { tried: kind.tried + 1, made: kind.made + (made ? 1 : 0) });
  }

  /** The kinds of which fewer than a share were made, with the share that was. A handful of tries says nothing of a share. */
  below(share: number): Record<string, number> {
    const often = [...this.kinds].filter(([, { tried }]) => tried >= ENOUGH);
    const shares = often.map(([kind, { tried, made }]) => [kind, made / tried] as const);
    return Object.fromEntries(shares.filter(([, own]) => own < share));
  }

  get kindsTried(): number {
    return this.kinds.size;
  }
}
