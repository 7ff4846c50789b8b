/** A source of numbers that look random and are the same for the same seed. */
export interface Random {
  /** From 0 up to 1. */
  next(): number;
  /** A whole number from `low` to `high`, both included. */
  between(low: number, high: number): number;
  /** True in `share` of all cases. */
  chance(share: number): boolean;
  pick<T>(things: readonly T[]): T;
  /** Some of the things, each at most once, in their order. */
  some<T>(things: readonly T[], count: number): T[];
}

/** A source with a seed of up to 32 bits (a multiply-and-shift mixer). */
export function randomFrom(seed: number): Random {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
  const between = (low: number, high: number): number => low + Math.floor(next() * (high - low + 1));
  const pick = <T>(things: readonly T[]): T => {
    const found = things[between(0, things.length - 1)];
    if (found === undefined) throw new RangeError("nothing to pick from");
    return found;
  };
  const some = <T>(things: readonly T[], count: number): T[] => {
    let wanted = Math.min(count, things.length);
    return things.filter((_, index) => {
      if (next() * (things.length - index) >= wanted) return false;
      wanted -= 1;
      return true;
    });
  };
  return { next, between, chance: (share) => next() < share, pick, some };
}
