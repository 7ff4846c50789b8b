import { FAN_ENDING } from "../show/fanEnding.ts";

/**
 * A time as people write it, in seconds, and the delay where one was written behind it.
 * Absent means that no delay was written, which is not a delay of 0.
 */
export interface WrittenTime {
  readonly seconds: number;
  readonly delay?: number;
}

/** A day: no time in a show is longer. */
const LONGEST = 86_400;

/**
 * Reads a time as it is written anywhere in the application: "3", "2,5", "1:30", "4 s", and with its delay "2+1". Undefined for what is no
 * time.
 * A comma counts as a point. Times below 0 and above a day are no times.
 */
export function readTime(text: string): WrittenTime | undefined {
  const [first, second, ...more] = text.split("+");
  const seconds = readSeconds(first ?? "");
  if (seconds === undefined || more.length > 0) return undefined;
  if (second === undefined) return { seconds };
  const delay = readSeconds(second);
  return delay === undefined ? undefined : { seconds, delay };
}

/**
 * Reads seconds alone: "3", "2.5", "1:30". Undefined for what is none.
 * As `readTime`, and undefined where a delay stands behind it.
 */
export function readSeconds(text: string): number | undefined {
  const plain = text.trim().replace(",", ".").replace(/\s*s$/, "");
  const clock = /^(\d+):([0-5]?\d(?:\.\d+)?)$/.exec(plain);
  if (!clock && !/^(\d+(\.\d*)?|\.\d+)$/.test(plain)) return undefined;
  const value = clock ? Number(clock[1]) * 60 + Number(clock[2]) : Number(plain);
  return value <= LONGEST ? Math.round(value * 1000) / 1000 : undefined;
}

/**
 * Reads seconds for lights: a number, or a fan such as "0~5" or "2~5~2". Undefined for what is neither.
 * A fan comes back as it was written, a single time as a number.
 */
export function readTimeFan(text: string): number | string | undefined {
  const plain = text.replace(/\s*([/*])\s*/g, "$1").trim();
  const [ending = ""] = FAN_ENDING.exec(plain) ?? [];
  const points = plain
    .slice(0, plain.length - ending.length)
    .split("~")
    .map(readSeconds);
  const known = points.filter((point) => point !== undefined);
  if (known.length < points.length || (known.length === 1 && ending !== "")) return undefined;
  return known.length === 1 ? known[0] : `${known.join("~")}${ending}`;
}
