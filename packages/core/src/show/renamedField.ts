/**
 * Plain data in which a field has another name by now, with its new name; what has that already, and what is no object, comes back as it is.
 * For what was written down before the name changed.
 */
export function renamedField(raw: unknown, before: string, now: string): unknown {
  if (typeof raw !== "object" || raw === null || !(before in raw) || now in raw) return raw;
  return { ...raw, [now]: Reflect.get(raw, before) };
}
