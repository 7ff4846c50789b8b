import { checkedMoves, targetOfMove, wavesIn } from "../edit/index.ts";
import { patchedTiming } from "../fan/timesAt.ts";
import { makeMove, moveTiming, sameMove } from "../show/move.ts";
import { sameData } from "../show/sameData.ts";
import type { Moves, Waves } from "../show/schema.ts";
import { type Key, keyNamed } from "../sheet/keys.ts";
import { resolve } from "../sheet/palettes.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { type Hand, type Held, type HeldFans, type HeldValue, type Leaving, heldValue, heldWave } from "./hand.ts";
import type { HandChange, HandTiming } from "./handChange.ts";
import { type HeldWave, type LeavingWave, waveName } from "./heldWave.ts";
import { without } from "./without.ts";
import { withChanged } from "./withChanged.ts";

/**
 * The Hand after a change at a moment (milliseconds). Throws ShowError for a value that the rig does not take; then nothing has changed.
 * Returns a new Hand. `now` is read from the server's clock by the caller.
 */
export function changeHand(hand: Hand, change: HandChange, sheet: ShowSheet, now: number): Hand {
  switch (change.do) {
    case "give":
      return given(hand, change.moves, sheet, { now, from: change.from ?? {} });
    case "wave":
      return waved(hand, change.waves, sheet, now);
    case "inTime":
      return { ...hand, inTime: change.on };
    case "time":
      return timed(hand, change.times);
    case "drop":
      return letGo(hand, change.keys ?? Object.keys(hand.held), sheet, now, change.fade ?? 1);
    case "restoreDropped":
      return {
        ...hand,
        held: { ...hand.held, ...hand.dropped },
        dropped: {},
        leaving: without(hand.leaving, Object.keys(hand.dropped)),
      };
    case "recorded":
      return { ...hand, held: withChanged(hand.held, new Set(change.keys), (held) => ({ ...held, fresh: false })) };
  }
}

/** The Hand with moves taken into it; what is given again keeps the times it had. */
function given(hand: Hand, moves: Moves, sheet: ShowSheet, { now, from }: { now: number; from: Readonly<Record<string, number>> }): Hand {
  const held: Record<string, Held> = { ...hand.held };
  const names: string[] = [];
  for (const { key, spec } of checkedMoves(sheet, moves, "In hand")) {
    const before = heldValue(hand, key);
    const move = makeMove(targetOfMove(spec), { ...(before ? moveTiming(before.move) : {}), ...moveTiming(spec) });
    names.push(key.name);
    if (before && !before.fresh && sameMove(before.move, move)) continue;
    const course = hand.inTime ? { course: { at: now, from: startOf(hand, key, sheet, from) } } : {};
    held[key.name] = { move, fresh: true, ...fansLeft(before, moveTiming(spec)), ...course };
  }
  return { ...hand, held, leaving: without(hand.leaving, names) };
}

/** What a value that comes in its own times starts from: what the key puts out as it is in hand already, else what lies under the Hand (null). */
function startOf(hand: Hand, key: Key, sheet: ShowSheet, told: Readonly<Record<string, number>>): number | null {
  const [before, leaving] = [heldValue(hand, key), hand.leaving[key.name]];
  if (!before && !leaving) return null;
  const known = told[key.name] ?? (before ? resolve(before.move, key, sheet.palettes) : undefined);
  if (known !== undefined && !Number.isNaN(known)) return known;
  return leaving && "from" in leaving ? leaving.from : null;
}

/** The Hand with waves taken into it; one that is there already runs on. In their own times they grow in those of the value that is in hand for the key. */
function waved(hand: Hand, waves: Waves, sheet: ShowSheet, now: number): Hand {
  const held: Record<string, Held> = { ...hand.held };
  const leaving: Record<string, Leaving | LeavingWave> = { ...hand.leaving };
  for (const [key, wave] of wavesIn(sheet, waves, "In hand")) {
    const name = waveName(key.name);
    const before = heldWave(hand, key);
    if (before && sameData(before.wave, wave)) continue;
    const own = hand.inTime ? moveTiming(heldValue(hand, key)?.move ?? 0) : {};
    const times = { ...(own.delay ? { delay: own.delay } : {}), ...(own.fade ? { fade: own.fade } : {}) };
    held[name] = { wave, fresh: true, since: now, ...times };
    // The one before goes in the same time, each at its own age.
    if (before && own.fade) leaving[name] = { wave: before.wave, since: before.since, at: now, fade: own.fade };
    else delete leaving[name];
  }
  return { ...hand, held, leaving };
}

/** The Hand with own times laid on values that it holds. */
function timed(hand: Hand, times: Readonly<Record<string, HandTiming>>): Hand {
  const own = new Map(Object.entries(times));
  const held = withChanged(hand.held, own, (each, name): Held => {
    if ("wave" in each) return each;
    const wanted = own.get(name) ?? {};
    const after = makeMove(targetOfMove(each.move), patchedTiming(moveTiming(each.move), wanted));
    const { fans: _was, ...rest } = each;
    const fans = fansLeft(each, wanted, wanted.fans);
    return sameMove(each.move, after) ? { ...rest, ...fans } : { ...rest, move: after, fresh: true, ...fans };
  });
  return { ...hand, held };
}

/** The fans of a value after some of its times were given anew: those of times that were left alone stay. */
function fansLeft(before: HeldValue | undefined, given: { fade?: unknown; delay?: unknown }, anew: HeldFans = {}): { fans?: HeldFans } {
  const of = (what: "fade" | "delay"): string | undefined => (given[what] === undefined ? before?.fans?.[what] : anew[what]);
  const [fade, delay] = [of("fade"), of("delay")];
  if (fade === undefined && delay === undefined) return {};
  return { fans: { ...(fade === undefined ? {} : { fade }), ...(delay === undefined ? {} : { delay }) } };
}

/**
 * Drops keys from the Hand; they fade back to the show in `fade` seconds and can be taken up again. `now` is milliseconds.
 * Keys that are not in hand are passed over. Seconds for `fade`.
 */
export function letGo(hand: Hand, keys: readonly string[], sheet: ShowSheet, now: number, fade: number): Hand {
  const going = keys.filter((name) => hand.held[name]);
  if (going.length === 0) return hand;
  const leaving: Record<string, Leaving | LeavingWave> = Object.fromEntries(
    Object.entries(hand.leaving).filter(([, each]) => now < each.at + each.fade * 1000),
  );
  const dropped: Record<string, Held> = {};
  for (const name of going) {
    const held = hand.held[name];
    if (!held) continue;
    dropped[name] = held;
    const left = "wave" in held ? waveLeft(held, now, fade) : valueLeft(held, keyNamed(sheet.keys, name), sheet, now, fade);
    if (left) leaving[name] = left;
  }
  return { ...hand, held: without(hand.held, going), dropped, leaving };
}

/** A value on its way back to the show; undefined for one that puts nothing out. */
function valueLeft({ move }: HeldValue, key: Key | undefined, sheet: ShowSheet, at: number, fade: number): Leaving | undefined {
  const from = key ? resolve(move, key, sheet.palettes) : Number.NaN;
  return key && !Number.isNaN(from) ? { from, at, fade: key.attribute.snap ? 0 : fade } : undefined;
}

/** A wave on its way out; what sways under a stop comes back in the same time. */
function waveLeft({ wave, since }: HeldWave, at: number, fade: number): LeavingWave {
  return { wave, since, at, fade };
}
