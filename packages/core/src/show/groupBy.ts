/**
 * Things by the name each is given, in the order in which they first come.
 * Each thing stands in exactly one group and groups keep the order of their things.
 * An empty map for no things at all.
 */
export function groupBy<T, K>(things: Iterable<T>, nameOf: (thing: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const thing of things) {
    const name = nameOf(thing);
    const group = groups.get(name);
    if (group) group.push(thing);
    else groups.set(name, [thing]);
  }
  return groups;
}
