import { type Show, emptyLevels, outputLayout, sheetOf, writeLevels } from "@zm/core";
import { PreparedPacket } from "../src/output/packet.ts";
import { print } from "./drive.ts";

const FRAMES = 4000;
/** What a packet may take, microseconds. */
const TARGET = 5;

/** Times the packets of a show: levels computed from values that all change, and laid into the packet of each universe. */
export function benchPackets(show: Show): void {
  const { keys } = sheetOf(show);
  const layout = outputLayout(show, keys);
  const levels = emptyLevels(layout);
  const packets = layout.universes.map((universe) => new PreparedPacket(universe, Buffer.alloc(16)));
  const frames = [20, 80].map((level) => Float64Array.from(keys.all, () => level));
  let bytes = 0;
  const send = (frame: number): void => {
    const values = frames[frame % frames.length];
    if (!values || !writeLevels(layout, values, levels)) throw new Error("Nothing has changed from one frame to the next");
    packets.forEach((packet, index) => {
      const own = levels[index];
      if (own) bytes += Buffer.from(packet.next(own, 100)).length;
    });
  };
  for (let frame = 0; frame < FRAMES; frame += 1) send(frame);
  const start = performance.now();
  for (let frame = 0; frame < FRAMES; frame += 1) send(frame);
  const each = ((performance.now() - start) * 1000) / (FRAMES * packets.length);
  if (bytes === 0) throw new Error("No packet was made");
  print(
    `  packets of ${packets.length} universes: ${each.toFixed(2)} us each (under ${TARGET}: ${each < TARGET ? "yes" : "NO"}), all levels changing`,
  );
}
