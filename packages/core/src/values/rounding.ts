/**
 * A number to its first decimal place: what people tell apart in a value or a time.
 * For people; what is stored or compared keeps all of its places.
 */
export function toTenth(value: number): number {
  return Math.round(value * 10) / 10;
}
