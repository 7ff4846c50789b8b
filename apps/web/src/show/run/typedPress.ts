import { ALL_OFF_TIME, actionWords, count, type LinePress, type Press, type ShowSheet, nextRow } from "@zm/core";
import type { LiveRun } from "../liveStore.ts";
import { lightWords, seconds } from "../../shared/words.ts";
import { valuesNow } from "../outputs.ts";

/** What a typed line presses; undefined where there is nothing to do, as for a list that is to start and runs already. */
export function pressFor(press: LinePress, run: LiveRun | null | undefined, sheet: ShowSheet): Press | undefined {
  switch (press.do) {
    case "putOnStage":
    case "chooseSet":
      return undefined;
    case "fire":
      return { press: "fire" };
    case "standby":
      return { press: "standby", chosen: setOf(press, run) };
    case "blackout":
      return { press: "blackout", held: press.on, ...timed(press) };
    case "grand":
      return { press: "grand", level: press.level, ...timed(press) };
    case "allOff":
      return { press: "allOff", ...timed(press) };
    case "solo":
      return { press: "solo", ...press.of };
    case "identify":
      return { press: "identify", channels: press.channels };
    case "park":
      return parking(press, run, sheet);
    case "tempo":
      return { press: "tempo", tempo: press.tempo, perMinute: press.perMinute };
    case "look":
      return { press: "look", look: press.look, level: press.level, ...timed(press) };
    case "start": {
      const own = run?.mix.lists.get(press.list);
      if (own && own.cue !== null) return undefined;
      if (press.cue !== undefined) return { press: "goto", list: press.list, cue: press.cue };
      return { press: "go", list: press.list };
    }
    case "goto":
      return { press: "goto", list: listOf(press), cue: press.cue, ...timed(press) };
    case "go": {
      // It fires the cue that was next when it was typed, and no other.
      const own = run?.mix.lists.get(listOf(press) ?? "");
      const held = own?.clock.held ?? false;
      const next = own && !held ? own.list.cues[nextRow(own)]?.number : undefined;
      return { press: "go", list: listOf(press), held, ...(next === undefined ? {} : { cue: next }) };
    }
    case "back":
    case "catch":
      return { press: press.do, list: listOf(press) };
    case "hold":
    case "resume":
      return { press: "hold", list: listOf(press), held: press.do === "hold" };
    case "release":
      return { press: "release", list: listOf(press), ...timed(press) };
    case "rate":
      return { press: "rate", list: press.list, rate: press.rate };
    case "master":
    case "fader":
      return { press: press.do, list: press.list, level: press.level, ...timed(press) };
  }
}

/** Keys are parked at what they put out now; what is let run again needs no value. */
function parking({ on, keys }: Extract<LinePress, { do: "park" }>, run: LiveRun | null | undefined, sheet: ShowSheet): Press | undefined {
  const parked = Object.keys(run?.mix.grand.parked ?? {});
  if (!on) {
    const names = (keys ?? parked).filter((name) => parked.includes(name));
    return names.length === 0 ? undefined : { press: "park", values: Object.fromEntries(names.map((name) => [name, null])) };
  }
  return { press: "park", values: valuesNow(sheet, keys ?? []) };
}

function listOf(press: { list?: string | undefined }): string | undefined {
  return press.list;
}

function timed({ time }: { time?: number | undefined }): { time?: number } {
  return time === undefined ? {} : { time };
}

/** What is chosen by a typed standby: what it names, beside what is chosen of other lists where it says so. */
function setOf(
  { chosen, also = false }: Extract<LinePress, { do: "standby" }>,
  run: LiveRun | null | undefined,
): { list: string; cue: string }[] {
  const others = also ? (run?.mix.standby ?? []).filter(({ list }) => !chosen.some((each) => each.list === list)) : [];
  return [...others, ...chosen];
}

function soloLabel(look: string, { show }: ShowSheet): string {
  return show.heldLooks?.find(({ id }) => id === look)?.label || look;
}

function inTime({ time }: { time?: number | undefined }): string {
  return time === undefined ? "" : `, in ${seconds(time)} s`;
}

/** What a typed line presses, in words, before it does. */
export function pressWords(press: LinePress, sheet: ShowSheet, run: LiveRun | null | undefined): string {
  const label = (id: string): string => sheet.lists.get(id)?.list.label || id;
  switch (press.do) {
    case "chooseSet":
      return "opens the standby set: which cues of which lists go together";
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
        : `chooses to go together: ${setOf(press, run)
            .map(({ list, cue }) => `${label(list)} ${cue}`)
            .join(", ")}; nothing moves`;
    case "fader":
      return `fader of ${label(press.list)} to ${press.level} %${press.time === undefined ? "" : ` in ${seconds(press.time)} s`}`;
    case "blackout":
      return `${press.on ? "blackout: all levels are held at 0, and what runs beneath runs on" : "levels come back from the blackout"}${inTime(press)}`;
    case "grand":
      return `grand master to ${press.level} %${inTime(press)}`;
    case "allOff":
      return `lets go of every list, held look and the Hand in ${seconds(press.time ?? ALL_OFF_TIME)} s; lights that stay, stay`;
    case "solo":
      return press.of === null
        ? "everything comes out again"
        : `solo: only lights come out that ${"list" in press.of ? label(press.of.list) : soloLabel(press.of.look, sheet)} holds`;
    case "identify":
      return press.channels.length === 0
        ? "no light flashes any more"
        : `${lightWords(press.channels)} ${press.channels.length === 1 ? "flashes until it is" : "flash until they are"} let go: identify off`;
    case "park":
      return press.on
        ? `${count(press.keys?.length ?? 0, "value")} stay as they are now whatever runs, until unpark`
        : press.keys
          ? "these run again"
          : "everything that was parked runs again";
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
