/** A set with one member more, or one less where it is in already. */
export function toggled<T>(set: ReadonlySet<T>, member: T): ReadonlySet<T> {
  const next = new Set(set);
  if (!next.delete(member)) next.add(member);
  return next;
}

/** A set with these members in it, or without them. */
export function withMembers<T>(set: ReadonlySet<T>, members: readonly T[], isIn: boolean): ReadonlySet<T> {
  const next = new Set(set);
  for (const member of members) {
    if (isIn) next.add(member);
    else next.delete(member);
  }
  return next;
}
