import { createSocket } from "node:dgram";
import { LevelReceiver, type Received } from "../src/receiver.ts";

const NAME = "ASC-E1.17";

/** A data packet by the tables of E1.31, apart from the code that is tested. */
function packet(universe: number, sequence: number, levels: readonly number[], options = 0): Buffer {
  const bytes = Buffer.alloc(126 + 512);
  const size = (at: number): number => bytes.writeUInt16BE(0x7000 | (bytes.length - at), at);
  bytes.writeUInt16BE(0x0010, 0);
  bytes.write(NAME, 4, "ascii");
  size(16);
  bytes.writeUInt32BE(4, 18);
  bytes.fill(0xab, 22, 38);
  size(38);
  bytes.writeUInt32BE(2, 40);
  bytes.write("A sender of the tests", 44, "utf8");
  bytes[108] = 100;
  bytes[111] = sequence;
  bytes[112] = options;
  bytes.writeUInt16BE(universe, 113);
  size(115);
  bytes[117] = 2;
  bytes[118] = 0xa1;
  bytes.writeUInt16BE(1, 121);
  bytes.writeUInt16BE(513, 123);
  levels.forEach((level, place) => bytes.writeUInt8(level, 126 + place));
  return bytes;
}

interface Heard extends Received {
  readonly universe: number;
}

const open: { close: () => void }[] = [];
afterEach(() => {
  for (const each of open.splice(0)) each.close();
});

/** A receiver on a free port, what it heard, and a sender to it that waits until `count` packets have been heard in all. */
async function receiver(): Promise<{ heard: Heard[]; send: (bytes: Buffer) => Promise<void>; until: (count: number) => Promise<void> }> {
  const probe = createSocket("udp4");
  await new Promise<void>((resolve) => probe.bind(0, "127.0.0.1", () => resolve()));
  const { port } = probe.address();
  await new Promise<void>((resolve) => probe.close(() => resolve()));
  const heard: Heard[] = [];
  const own = new LevelReceiver((universe, received) => heard.push({ universe, ...received }));
  await own.listen(port);
  const sender = createSocket("udp4");
  open.push(own, sender);
  return {
    heard,
    send: (bytes) =>
      new Promise((resolve, reject) => sender.send(bytes, port, "127.0.0.1", (error) => (error ? reject(error) : resolve()))),
    until: async (count) => {
      const end = Date.now() + 20_000;
      while (heard.length < count) {
        if (Date.now() > end) throw new Error(`Only ${heard.length} of ${count} packets were heard within twenty seconds`);
        await new Promise((resolve) => setTimeout(resolve, 5));
      }
    },
  };
}

test("levels of several universes are heard, whole, and that a sender ends is heard too", async () => {
  const { heard, send, until } = await receiver();
  await send(packet(1, 0, [255, 128, 1]));
  await send(packet(7, 0, [9]));
  await send(packet(1, 1, [0], 0x40));
  await until(3);
  expect(heard.map(({ universe, ended }) => ({ universe, ended }))).toEqual([
    { universe: 1, ended: false },
    { universe: 7, ended: false },
    { universe: 1, ended: true },
  ]);
  expect([...(heard[0]?.levels ?? [])].slice(0, 4)).toEqual([255, 128, 1, 0]);
  expect(heard[0]?.levels).toHaveLength(512);
});

test("what comes late or twice is left out by universe; a sender that restarts is received again", async () => {
  const { heard, send, until } = await receiver();
  const sequences = [250, 251, 251, 249, 255, 0, 254, 3, 100];
  for (const sequence of sequences) await send(packet(1, sequence, [sequence]));
  await send(packet(2, 249, [7]));
  // 251 twice, 249 behind it and 254 behind 0 come late; 100 follows 3 as the next that is new.
  await until(7);
  expect(heard.map(({ universe, levels }) => [universe, levels[0]])).toEqual([
    [1, 250],
    [1, 251],
    [1, 255],
    [1, 0],
    [1, 3],
    [1, 100],
    [2, 7],
  ]);
  // A hundred behind is no late packet but a sender that began anew.
  await send(packet(1, 40, [40]));
  await until(8);
  expect(heard.at(-1)?.levels[0]).toBe(40);
});

test("what is no packet of levels is passed over, and the next one is heard", async () => {
  const { heard, send, until } = await receiver();
  await send(Buffer.from("good evening"));
  await send(packet(1, 0, [1]).subarray(0, 60));
  await send(Buffer.alloc(0));
  await send(packet(1, 1, [33]));
  await until(1);
  expect(heard).toHaveLength(1);
  expect(heard[0]?.levels[0]).toBe(33);
});
