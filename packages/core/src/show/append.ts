/**
 * Adds things to the end of a list, however many there are: as arguments of `push`, tens of thousands are more than a call takes.
 * Changes `into` in place.
 */
export function append<T>(into: T[], things: Iterable<T>): void {
  for (const thing of things) into.push(thing);
}
