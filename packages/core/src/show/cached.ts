/**
 * Works out something of a thing once and keeps it for as long as anybody holds that thing. Only for things that are never
 * changed, only replaced: a document, a sheet, a column.
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
