import { timesAt } from "../fan/timesAt.ts";
import { type MoveTiming, moveTiming } from "../show/move.ts";
import { sameData } from "../show/sameData.ts";
import { type Cue, FAMILIES, type Pace } from "../show/schema.ts";
import type { Keys } from "../sheet/keys.ts";
import { movesOf } from "../sheet/sheet.ts";
import { timesOfPace } from "../time/readyTimes.ts";

/**
 * True when a cue runs in the times of a pace: moves of one of its families have exactly these as their own, or a part has them.
 * Cues store times and not the pace, so this tells by the times: who wrote the same by hand is found too.
 */
export function runsByPace(cue: Cue, keys: Keys, pace: Pace): boolean {
  return partHasTimes(cue, pace) || movesHaveTimes(cue, keys, pace);
}

/** True when a part says of each time what the pace says of it. */
function partHasTimes(cue: Cue, pace: Pace): boolean {
  const ready = timesOfPace(pace);
  if (!ready || Object.keys(ready.set).length === 0) return false;
  const { down: _down, downDelay: _downDelay, ...wanted } = ready.set;
  return cue.parts.some(({ times }) =>
    Object.entries(wanted).every(([name, value]) => sameData(new Map(Object.entries(times)).get(name), value)),
  );
}

/** True when the lights that move in one family have the pace's times, spread over them in whatever order. */
function movesHaveTimes(cue: Cue, keys: Keys, pace: Pace): boolean {
  const moves = movesOf(cue, keys);
  return FAMILIES.some((family) => {
    const wish = pace[family];
    if (!wish) return false;
    const own = new Map<number, MoveTiming>();
    for (const { key, spec } of moves) {
      const timing = moveTiming(spec);
      const isTimed = timing.fade !== undefined || timing.delay !== undefined || timing.curve !== undefined;
      if (key.attribute.family === family && isTimed) own.set(key.channel, timing);
    }
    const had = [...own.values()].map(asText).sort();
    const wanted = [...own.keys()].map((_, place) => asText(given(timesAt(wish, place, own.size)))).sort();
    return had.length > 0 && sameData(had, wanted);
  });
}

/** Times without those that are taken away. */
function given({ fade, delay, curve }: ReturnType<typeof timesAt>): MoveTiming {
  return { fade: fade ?? undefined, delay: delay ?? undefined, curve: curve ?? undefined };
}

/** Own times as one text, alike for alike times. */
function asText({ fade, delay, curve }: MoveTiming): string {
  return [fade, delay, curve].map((each) => String(each ?? "")).join("/");
}
