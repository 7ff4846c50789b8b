import { Packet } from "sacn";

/** Where in a data packet of E1.31 what changes stands, in bytes. */
const PRIORITY = 108;
const SEQUENCE = 111;
const OPTIONS = 112;
const LEVELS = 126;
/** The bit of the options that says that no more comes of this universe. */
const TERMINATED = 0x40;

/** A data packet of one universe, prepared once: sending it again only writes its sequence and its levels. */
export class PreparedPacket {
  readonly bytes: Buffer;
  private sequence = 0;

  /** `cid` is the id of this sender, 16 bytes, kept for good. */
  constructor(universe: number, cid: Buffer) {
    const { buffer } = new Packet({
      universe,
      sequence: 0,
      sourceName: "Zealous Mark",
      priority: 100,
      cid,
      useRawDmxValues: true,
      payload: { 512: 1 },
    });
    this.bytes = Buffer.from(buffer);
    this.bytes.fill(0, LEVELS);
  }

  /** The packet with these levels, this priority, and the next number in its universe. */
  next(levels: Uint8Array, priority: number, terminated = false): Buffer {
    this.bytes[PRIORITY] = priority;
    this.sequence = (this.sequence + 1) & 255;
    this.bytes[SEQUENCE] = this.sequence;
    this.bytes[OPTIONS] = terminated ? TERMINATED : 0;
    this.bytes.set(levels, LEVELS);
    return this.bytes;
  }
}
