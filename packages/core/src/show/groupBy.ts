/** Things by the name each is given, in the order in which they first come. */
export function groupBy<T>(things: readonly T[], nameOf: (thing: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const thing of things) {
    const name = nameOf(thing);
    const group = groups.get(name);
    if (group) group.push(thing);
    else groups.set(name, [thing]);
  }
  return groups;
}
