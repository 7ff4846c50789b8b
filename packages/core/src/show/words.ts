/** A number as it is read out: at most three places, no trailing zeros. */
export function figure(value: number): string {
  return String(Math.round(value * 1000) / 1000);
}

/** "1 light", "3 lights". */
export function count(number: number, thing: string): string {
  return `${number} ${thing}${number === 1 ? "" : "s"}`;
}

/** "pan", "pan and tilt", "pan, tilt and 3 more". */
export function listed(names: readonly string[], most = 3): string {
  if (names.length > most) return `${names.slice(0, most - 1).join(", ")} and ${names.length - most + 1} more`;
  return names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1) ?? ""}`;
}
