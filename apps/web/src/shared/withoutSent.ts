/** The fields of a form after what it sent was done: those sent are empty, those that have been typed in since keep what stands in them. */
export function withoutSent<T extends object>(now: T, sent: T, empty: T): T {
  const left = { ...now };
  for (const field in empty) if (now[field] === sent[field]) left[field] = empty[field];
  return left;
}
