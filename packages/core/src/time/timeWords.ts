import { toTenth } from "../values/rounding.ts";

/**
 * Seconds as they are written back: at most two places, and nothing behind the dot where it is whole.
 * What `readSeconds` reads again, to a hundredth.
 */
export function writeSeconds(value: number): string {
  return String(Math.round(value * 100) / 100);
}

/**
 * Seconds that were computed, as they are read: to a tenth.
 * Times that somebody gave are written with `writeSeconds`, which keeps their second place.
 */
export function tenths(value: number): string {
  return writeSeconds(toTenth(value));
}

/**
 * Whole seconds as a clock shows them: 0:07, 1:32, 75:00.
 * A clock that counts up is given what has passed rounded down, one that counts down what is left rounded up. Below 0 it stands at 0:00.
 */
export function clockWords(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/**
 * A length of time with its unit, as it is read: "12.5 s", "1 min 5 s".
 * Tenths are told below a minute alone.
 */
export function lengthWords(seconds: number): string {
  if (toTenth(seconds) < 60) return `${tenths(seconds)} s`;
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)} min ${whole % 60} s`;
}
