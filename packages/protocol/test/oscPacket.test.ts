import fc from "fast-check";
import { type OscWords, readOsc, writeOsc } from "../src/oscPacket.ts";

/** A text as the standard has it: ended by a zero, filled up to a whole number of fours. */
function text(words: string): number[] {
  const bytes = [...new TextEncoder().encode(words), 0];
  while (bytes.length % 4 !== 0) bytes.push(0);
  return bytes;
}

/** Four bytes of a number, the greatest first. */
function four(write: (view: DataView) => void): number[] {
  const view = new DataView(new ArrayBuffer(4));
  write(view);
  return [...new Uint8Array(view.buffer)];
}

const whole = (value: number): number[] => four((view) => view.setInt32(0, value));
const broken = (value: number): number[] => four((view) => view.setFloat32(0, value));

/** A message by the book, apart from the code that is tested. */
function message({ address, args }: OscWords): Uint8Array {
  const isWhole = (value: number): boolean => Number.isInteger(value) && value >= -(2 ** 31) + 1 && value < 2 ** 31;
  const tags = args.map((value) => (typeof value === "string" ? "s" : isWhole(value) ? "i" : "f"));
  const data = args.flatMap((value) => (typeof value === "string" ? text(value) : isWhole(value) ? whole(value) : broken(value)));
  return Uint8Array.from([...text(address), ...text(`,${tags.join("")}`), ...data]);
}

/** A bundle of packets, to be taken at once. */
function bundle(...packets: readonly Uint8Array[]): Uint8Array {
  const elements = packets.flatMap((packet) => [...whole(packet.length), ...packet]);
  return Uint8Array.from([...text("#bundle"), ...whole(0), ...whole(1), ...elements]);
}

const address = fc.stringMatching(/^\/zm(\/[a-z0-9-]{1,9}){1,3}$/);
const words = fc.string({ unit: "grapheme", maxLength: 20 }).filter((each) => !each.includes("\0"));
// A negative zero is a zero to everybody outside.
const arg = fc.oneof(
  words,
  fc.integer({ min: -(2 ** 31) + 1, max: 2 ** 31 - 1 }),
  fc.float({ noNaN: true, noDefaultInfinity: true }).map((value) => value + 0),
);
const messages = fc.record({ address, args: fc.array(arg, { maxLength: 4 }) });

test("what is written is what the standard says, byte by byte", () => {
  expect([...writeOsc({ address: "/zm/goto", args: ["12.5"] })]).toEqual([
    ...[0x2f, 0x7a, 0x6d, 0x2f, 0x67, 0x6f, 0x74, 0x6f, 0, 0, 0, 0],
    ...[0x2c, 0x73, 0, 0],
    ...[0x31, 0x32, 0x2e, 0x35, 0, 0, 0, 0],
  ]);
  fc.assert(fc.property(messages, (each) => expect([...writeOsc(each)]).toEqual([...message(each)])));
});

test("what others write is read, alone and in bundles within bundles, in their order", () => {
  fc.assert(
    fc.property(messages, messages, messages, (first, second, third) => {
      expect(readOsc(message(first))).toEqual([first]);
      expect(readOsc(bundle(message(first), bundle(message(second)), message(third)))).toEqual([first, second, third]);
    }),
  );
});

test("true and false are 1 and 0, long whole numbers are numbers, other things are nothing", () => {
  const long = [0, 0, 0, 1, 0, 0, 0, 2];
  const packet = Uint8Array.from([...text("/zm/master"), ...text(",TFNh"), ...long]);
  expect(readOsc(packet)).toEqual([{ address: "/zm/master", args: [1, 0, "", 2 ** 32 + 2] }]);
});

test("whatever comes in is read as messages or refused as an error, and never hangs", () => {
  const cut = fc.tuple(messages, fc.nat()).map(([each, at]) => message(each).slice(0, at % message(each).length));
  let refused = 0;
  let tried = 0;
  fc.assert(
    fc.property(fc.oneof(cut, fc.uint8Array({ maxLength: 64 })), (packet) => {
      tried += 1;
      try {
        for (const each of readOsc(packet)) expect(typeof each.address).toBe("string");
      } catch (error) {
        expect(error).toBeInstanceOf(Error);
        refused += 1;
      }
    }),
  );
  expect(refused / tried).toBeGreaterThan(0.5);
});
