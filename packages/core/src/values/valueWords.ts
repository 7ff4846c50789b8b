/**
 * A value as it is read: at most one place, nothing behind the dot where it is whole, and a real minus sign.
 * For people; what is typed back is written with `figure`.
 */
export function valueWords(value: number): string {
  return String(Math.round(value * 10) / 10).replace("-", "−");
}
