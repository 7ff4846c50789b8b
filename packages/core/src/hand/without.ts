/**
 * A record without the entries of some names.
 * Gives a new record; names that it does not have are no fault.
 */
export function without<T>(record: Readonly<Record<string, T>>, names: readonly string[]): Record<string, T> {
  const gone = new Set(names);
  return Object.fromEntries(Object.entries(record).filter(([name]) => !gone.has(name)));
}
