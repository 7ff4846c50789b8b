import { type Curve, type Pace, type Part, type PartTimes, PLAIN_TIMES, TIMED_FAMILIES } from "../show/schema.ts";

/** Ready times for a part: what it says afterwards of each time, null for none of its own; and its curve. */
export interface ReadyTimes {
  readonly set: {
    readonly [name in keyof PartTimes]?: PartTimes[name] | null;
  };
  readonly curve?: Curve | null;
}

/**
 * The times that a pace gives a part: its levels as up and down, its families as theirs. What it spreads over lights is no time of a part and is left
 * out; undefined where nothing is left. What the pace does not speak of stays.
 */
export function timesOfPace(pace: Pace): ReadyTimes | undefined {
  const { intensity } = pace;
  const fade = typeof intensity?.fade === "number" ? { up: intensity.fade, down: intensity.fade } : {};
  const delay = typeof intensity?.delay === "number" ? { upDelay: intensity.delay, downDelay: intensity.delay } : {};
  const families = TIMED_FAMILIES.flatMap((family) => {
    const own = pace[family];
    const times = {
      ...(typeof own?.fade === "number" ? { fade: own.fade } : {}),
      ...(typeof own?.delay === "number" ? { delay: own.delay } : {}),
      ...(own?.curve === undefined ? {} : { curve: own.curve }),
    };
    return Object.keys(times).length > 0 ? [[family, times] as const] : [];
  });
  const set = { ...fade, ...delay, ...Object.fromEntries(families) };
  const curve = intensity?.curve;
  if (Object.keys(set).length === 0 && curve === undefined) return undefined;
  return { set, ...(curve === undefined ? {} : { curve }) };
}

/** The times of another part, whole: what it does not say is taken away. */
export function timesOfPart({ times, curve }: Pick<Part, "times" | "curve">): ReadyTimes {
  const names = [...PLAIN_TIMES, ...TIMED_FAMILIES];
  return { set: Object.fromEntries(names.map((name) => [name, times[name] ?? null])), curve: curve ?? null };
}
