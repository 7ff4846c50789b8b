/** A number as people write it: at most one place for values, none where it is whole. */
export function plain(value: number): string {
  return String(Math.round(value * 10) / 10);
}
