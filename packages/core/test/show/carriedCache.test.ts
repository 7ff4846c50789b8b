import fc from "fast-check";
import { CarriedCache, union } from "../../src/show/carriedCache.ts";

/** Numbers whose squares are kept; an edit changes some of them. */
interface Numbers {
  readonly all: readonly number[];
}

/** A cache of squares that tells how many it has computed. */
function squares(most = Infinity): { cache: CarriedCache<Numbers, number[], ReadonlySet<number>>; worked: () => number } {
  let worked = 0;
  const square = (number: number): number => {
    worked += 1;
    return number * number;
  };
  const cache = new CarriedCache<Numbers, number[], ReadonlySet<number>>({
    make: ({ all }) => all.map(square),
    renew: (of, _base, known, touched) =>
      touched.size > most ? undefined : known.map((value, index) => (touched.has(index) ? square(of.all[index] ?? 0) : value)),
    merge: (first, second) => (first.size + second.size > most ? undefined : union(first, second)),
  });
  return { cache, worked: () => worked };
}

const with_ = ({ all }: Numbers, index: number, value: number): Numbers => ({ all: all.with(index, value) });

test("a value is worked out once, and over an edit only what the edit touched", () => {
  const { cache, worked } = squares();
  const first: Numbers = { all: [1, 2, 3, 4] };
  expect(cache.get(first)).toEqual([1, 4, 9, 16]);
  expect(cache.get(first)).toBe(cache.get(first));
  expect(worked()).toBe(4);
  const second = with_(first, 2, 5);
  cache.carry(first, second, new Set([2]));
  expect(worked()).toBe(4);
  expect(cache.get(second)).toEqual([1, 4, 25, 16]);
  expect(worked()).toBe(5);
});

test("edits that nobody asked after are gathered, and worked off together", () => {
  const { cache, worked } = squares();
  const first: Numbers = { all: [1, 2, 3, 4] };
  cache.get(first);
  const second = with_(first, 0, 9);
  const third = with_(second, 3, 9);
  cache.carry(first, second, new Set([0]));
  cache.carry(second, third, new Set([3]));
  expect(cache.get(third)).toEqual([81, 4, 9, 81]);
  expect(worked()).toBe(6);
});

test("where too much has changed, and where nothing is known, the value is made from nothing", () => {
  const { cache, worked } = squares(1);
  const first: Numbers = { all: [1, 2, 3] };
  cache.get(first);
  const second = with_(first, 0, 5);
  const third = with_(second, 1, 5);
  cache.carry(first, second, new Set([0]));
  cache.carry(second, third, new Set([1]));
  expect(cache.get(third)).toEqual([25, 25, 9]);
  expect(worked()).toBe(6);
  const stranger: Numbers = { all: [7] };
  cache.carry({ all: [6] }, stranger, new Set([0]));
  expect(cache.get(stranger)).toEqual([49]);
});

test("whatever is asked for and when, a value is what working it out from nothing gives", () => {
  const edits = fc.array(fc.record({ index: fc.nat(5), value: fc.integer({ min: -9, max: 9 }), asks: fc.boolean() }), { maxLength: 12 });
  fc.assert(
    fc.property(fc.array(fc.integer({ min: -9, max: 9 }), { minLength: 6, maxLength: 6 }), edits, fc.nat(4), (all, steps, most) => {
      const { cache } = squares(most);
      let now: Numbers = { all };
      cache.get(now);
      for (const { index, value, asks } of steps) {
        const after = with_(now, index, value);
        cache.carry(now, after, new Set([index]));
        now = after;
        if (asks) expect(cache.get(now)).toEqual(now.all.map((number) => number * number));
      }
      expect(cache.get(now)).toEqual(now.all.map((number) => number * number));
    }),
  );
});
