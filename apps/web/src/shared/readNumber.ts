/** Between which ends a number lies, both included, and whether it is a whole one. */
export interface NumberBounds {
  readonly min?: number;
  readonly max?: number;
  readonly whole?: boolean;
}

/** The number that a text says, with a point or a comma, a sign or none; NaN for one that says none. */
export function readNumber(text: string): number {
  const plain = text.trim().replace(",", ".").replace("−", "-");
  return /^[+-]?(\d+(\.\d*)?|\.\d+)$/.test(plain) ? Number(plain) : Number.NaN;
}

/** The number that a text says, where it lies between these ends; undefined for what is none. */
export function readNumberIn(text: string, { min = -Infinity, max = Infinity, whole = false }: NumberBounds): number | undefined {
  const number = readNumber(text);
  return Number.isFinite(number) && number >= min && number <= max && (!whole || Number.isInteger(number)) ? number : undefined;
}

/** What is told of a text that is no such number: "is no whole number from 0 to 100". */
export function notInWords({ min, max, whole = false }: NumberBounds): string {
  const kind = whole ? "is no whole number" : "is no number";
  if (min === undefined && max === undefined) return kind;
  if (max === undefined) return `${kind} from ${min ?? 0} up`;
  return min === undefined ? `${kind} up to ${max}` : `${kind} from ${min} to ${max}`;
}

/** What something is multiplied by, as it is typed: "1.2", or "+20 %", "-10 %"; undefined for a text that says no factor. */
export function readFactor(text: string): number | undefined {
  const share = /^([+\-−])\s*(\d.*?)\s*%$/.exec(text.trim());
  if (!share) return readNumberIn(text, { min: 0 });
  const part = readNumberIn(share[2] ?? "", { min: 0 });
  const factor = part === undefined ? -1 : 1 + (share[1] === "+" ? part : -part) / 100;
  return factor < 0 ? undefined : Math.round(factor * 1e6) / 1e6;
}
