import fc from "fast-check";
import { callerRequest, oscSettings, placeOfAddress } from "../src/index.ts";

const settings = (address: string): object => ({ on: true, address, show: null });

test("an address is a host and a port, and is taken apart where the port begins", () => {
  const host = fc.oneof(fc.ipV4(), fc.domain());
  fc.assert(
    fc.property(host, fc.integer({ min: 1, max: 65_535 }), (name, port) => {
      expect(oscSettings.safeParse(settings(`${name}:${port}`)).success).toBe(true);
      expect(placeOfAddress(`${name}:${port}`)).toEqual({ host: name, port });
    }),
  );
});

test.each(["", "8765", "127.0.0.1", ":8765", "127.0.0.1:", "127.0.0.1:port", "http://127.0.0.1:8765", "127.0.0.1:8765 ", "a b:1"])(
  "%j is no address, and the refusal says what could stand there",
  (address) => {
    const read = oscSettings.safeParse(settings(address));
    expect(read.success).toBe(false);
    expect(read.error?.issues[0]?.message).toContain("127.0.0.1:8765");
  },
);

test("the play is called from once to sixty times as fast as it is spoken", () => {
  expect(callerRequest.parse({ speed: 1 })).toEqual({ speed: 1 });
  expect(callerRequest.parse({ speed: 60, from: "12.5" })).toEqual({ speed: 60, from: "12.5" });
  for (const speed of [0, 0.5, 61, Number.NaN, "20"]) expect(callerRequest.safeParse({ speed }).success).toBe(false);
});
