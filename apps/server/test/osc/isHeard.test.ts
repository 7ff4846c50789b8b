import { isHeard } from "../../src/osc/isHeard.ts";

test("programs of this machine are listened to, and of others those that are listed", () => {
  const settings = { from: ["10.0.0.8"] };
  for (const address of ["127.0.0.1", "127.0.0.2", "10.0.0.8"]) expect([address, isHeard(address, settings)]).toEqual([address, true]);
  for (const address of ["10.0.0.80", "10.0.0.9", "0.0.0.0", "192.0.2.2"])
    expect([address, isHeard(address, settings)]).toEqual([address, false]);
  expect(isHeard("10.0.0.8", {})).toBe(false);
});
