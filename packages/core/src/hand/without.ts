/** A record without the entries of some names. */
export function without<T>(record: Readonly<Record<string, T>>, names: readonly string[]): Record<string, T> {
  const gone = new Set(names);
  return Object.fromEntries(Object.entries(record).filter(([name]) => !gone.has(name)));
}
