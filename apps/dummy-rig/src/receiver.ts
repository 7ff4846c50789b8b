import { type Socket, createSocket } from "node:dgram";
import { Packet } from "sacn";

/** So far a packet may stand behind the newest of its universe and be late rather than the first of a sender that began anew (E1.31, section 6.7.2). */
const LATE = -20;

/** The newest levels of one universe, 512 of them, and whether its sender has said that no more come. */
export interface Received {
  readonly levels: Uint8Array;
  readonly ended: boolean;
}

/** Receives levels on loopback. */
export class LevelReceiver {
  private readonly socket: Socket = createSocket("udp4");
  private readonly sequences = new Map<number, number>();

  /** `hear` is called for each packet that is in its turn. */
  constructor(private readonly hear: (universe: number, received: Received) => void) {
    this.socket.on("message", (message, { address }) => this.take(message, address));
  }

  /** Begins to receive; the promise settles when the port is there. What keeps it from that comes through. */
  listen(port: number): Promise<void> {
    return new Promise((resolve, reject) => {
      this.socket.once("error", reject);
      this.socket.bind(port, "127.0.0.1", () => resolve());
    });
  }

  close(): void {
    this.socket.close();
  }

  private take(message: Buffer, address: string): void {
    let packet: Packet;
    try {
      packet = new Packet(message, address);
    } catch {
      // Something else came to this port; it is none of ours.
      return;
    }
    const { universe, sequence, options } = packet;
    const known = this.sequences.get(universe);
    const ahead = known === undefined ? 1 : ((sequence - known + 384) % 256) - 128;
    if (ahead <= 0 && ahead > LATE) return;
    this.sequences.set(universe, sequence);
    const levels = packet.payloadAsBuffer ?? Buffer.alloc(512);
    this.hear(universe, { levels: Uint8Array.from(levels), ended: (options & 0x40) !== 0 });
  }
}
