import { toTenth } from "./rounding.ts";

/**
 * A value as it is read: at most one place, nothing behind the dot where it is whole, and a real minus sign.
 * What stands in a field, to be typed over, is written with `writeValue`.
 */
export function valueWords(value: number): string {
  return writeValue(value).replace("-", "−");
}

/**
 * A value as it is typed: at most one place, and the minus sign of the keyboard.
 * Every field reads it again.
 */
export function writeValue(value: number): string {
  return String(toTenth(value));
}
