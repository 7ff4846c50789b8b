import fc from "fast-check";
import { LAST_ADDRESS, addressCounted, countedThrough } from "../../src/index.ts";

describe("addresses counted through all universes", () => {
  it("the first of the second universe is 513", () => {
    expect(countedThrough({ universe: 2, address: 1 })).toBe(513);
    expect(addressCounted(512)).toEqual({ universe: 1, address: 512 });
  });

  it("what is counted leads back to its place", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 63_999 }), fc.integer({ min: 1, max: 512 }), (universe, address) => {
        expect(addressCounted(countedThrough({ universe, address }))).toEqual({ universe, address });
      }),
    );
  });

  it("nothing stands before the first, behind the last, or between two", () => {
    expect([0, -1, LAST_ADDRESS + 1, 1.5, Number.NaN].map(addressCounted)).toEqual(Array(5).fill(undefined));
    expect(addressCounted(LAST_ADDRESS)).toEqual({ universe: 63_999, address: 512 });
  });
});
