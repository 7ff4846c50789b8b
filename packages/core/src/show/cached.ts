/**
 * Computes something from a thing once and keeps it for as long as anybody holds that thing. Only for things that are never
 * changed, only replaced: a document, a sheet, a column.
 * The returned function computes on the first call for an object and answers from memory afterwards.
 * Results live as long as the object they belong to: a weak map holds them, so nothing has to be cleared.
 * Do not use it for what depends on anything beside its argument, such as a clock.
 */
export function cached<K extends object, V extends object>(make: (of: K) => V): (of: K) => V {
  const values = new WeakMap<K, V>();
  return (of) => {
    const known = values.get(of);
    if (known) return known;
    const made = make(of);
    values.set(of, made);
    return made;
  };
}
