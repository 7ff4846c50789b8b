// A receiver of levels that follows E1.31: of the sources that it hears it takes those of the highest priority (6.2.3), and one that has been silent for 2.5 s is gone (6.7.1).
import { Buffer } from "node:buffer";
import { createSocket } from "node:dgram";

/** A source that has been silent for so long is gone; milliseconds. */
const LOSS = 2500;
const [CID, PRIORITY, OPTIONS, UNIVERSE, LEVELS] = [22, 108, 112, 113, 126];

/** Listens at an address for one universe. `taken` holds what it took since it was asked last: when, from whom, at which priority. */
export async function receive(port, host = "127.0.0.1", universe = 1) {
  const sources = new Map();
  const state = { at: null, gap: 0, gapFrom: 0, who: null, sources, levels: Buffer.alloc(512), seen: 0 };
  const socket = createSocket("udp4");
  socket.on("message", (packet) => {
    if (packet.length < LEVELS || packet.readUInt16BE(UNIVERSE) !== universe) return;
    const now = performance.now();
    const who = packet.subarray(CID, CID + 16).toString("hex");
    if ((packet[OPTIONS] & 0x40) !== 0) return void sources.delete(who);
    sources.set(who, { priority: packet[PRIORITY], at: now });
    for (const [each, { at }] of sources) if (now - at > LOSS) sources.delete(each);
    const top = Math.max(...[...sources.values()].map(({ priority }) => priority));
    if (packet[PRIORITY] < top) return;
    if (state.at !== null && now - state.at > state.gap) [state.gap, state.gapFrom] = [now - state.at, state.at];
    [state.at, state.who] = [now, who];
    state.levels = Buffer.from(packet.subarray(LEVELS));
    state.seen += 1;
  });
  await new Promise((resolve) => socket.bind(port, host, resolve));
  return {
    state,
    /** The longest time without a packet that was taken since this was asked last; milliseconds. */
    longestGap() {
      const gap = Math.max(state.gap, state.at === null ? 0 : performance.now() - state.at);
      state.gap = 0;
      return gap;
    },
    close: () => socket.close(),
  };
}
