import { actionWords, type LinePress, type ShowSheet, nextRow } from "@zm/core";
import type { LiveRun } from "../show/liveStore.ts";
import { seconds } from "../shared/words.ts";
import type { Pressed } from "./usePress.ts";

/** What a typed line presses; undefined where there is nothing to do, as for a list that is to start and runs already. */
export function pressFor(press: LinePress, run: LiveRun | null | undefined): Pressed | undefined {
  switch (press.do) {
    case "putOnStage":
      return undefined;
    case "fire":
      return { ask: { press: "fire" } };
    case "standby":
      return { ask: { press: "standby", chosen: press.chosen }, here: (t) => ({ t, standby: press.chosen }) };
    case "tempo":
      return { ask: { press: "tempo", tempo: press.tempo, perMinute: press.perMinute } };
    case "look":
      return { ask: { press: "look", look: press.look, level: press.level, ...timed(press) } };
    case "start": {
      const own = run?.mix.lists.get(press.list);
      if (own && own.cue !== null) return undefined;
      if (press.cue !== undefined) return { ask: { press: "goto", list: press.list, cue: press.cue } };
      return { ask: { press: "go", list: press.list } };
    }
    case "goto":
      return { ask: { press: "goto", list: listOf(press), cue: press.cue, ...timed(press) } };
    case "go": {
      // It fires the cue that was next when it was typed, and no other.
      const own = run?.mix.lists.get(listOf(press) ?? "");
      const held = own?.clock.held ?? false;
      const next = own && !held ? own.list.cues[nextRow(own)]?.number : undefined;
      return { ask: { press: "go", list: listOf(press), held, ...(next === undefined ? {} : { cue: next }) } };
    }
    case "back":
    case "catch":
      return { ask: { press: press.do, list: listOf(press) } };
    case "hold":
    case "resume":
      return { ask: { press: "hold", list: listOf(press), held: press.do === "hold" } };
    case "release":
      return { ask: { press: "release", list: listOf(press), ...timed(press) } };
    case "rate":
      return { ask: { press: "rate", list: press.list, rate: press.rate } };
    case "master":
    case "fader":
      return { ask: { press: press.do, list: press.list, level: press.level, ...timed(press) } };
  }
}

function listOf(press: { list?: string | undefined }): string | undefined {
  return press.list;
}

function timed({ time }: { time?: number | undefined }): { time?: number } {
  return time === undefined ? {} : { time };
}

/** What a typed line presses, in words, before it does. */
export function pressWords(press: LinePress, sheet: ShowSheet, run: LiveRun | null | undefined): string {
  const label = (id: string): string => sheet.lists.get(id)?.list.label || id;
  switch (press.do) {
    case "putOnStage":
      return "puts this show on stage; the lights of the one that is there go dark";
    case "fire": {
      const set = run?.mix.standby ?? [];
      return set.length === 0
        ? "nothing is chosen to go together"
        : `fires the set: ${set.map(({ list, cue }) => `${label(list)} ${cue}`).join(", ")}`;
    }
    case "standby":
      return press.chosen.length === 0
        ? "empties the set that was to go together"
        : `chooses to go together: ${press.chosen.map(({ list, cue }) => `${label(list)} ${cue}`).join(", ")}; nothing moves`;
    case "fader":
      return `fader of ${label(press.list)} to ${press.level} %${press.time === undefined ? "" : ` in ${seconds(press.time)} s`}`;
    case "catch":
      return `${label(press.list)} waits for a Go`;
    case "start":
      return run && run.mix.lists.get(press.list)?.cue != null
        ? `${label(press.list)} already runs; nothing happens`
        : actionWords(press, sheet);
    default:
      return actionWords(press, sheet);
  }
}
