import { type Socket, createSocket } from "node:dgram";
import { placeOfAddress } from "@zm/protocol";
import { type OscWords, readOsc, writeOsc } from "@zm/protocol/oscPacket";

/** The line to the server: OSC over UDP, as anybody outside speaks it. */
export class OscDoor {
  private readonly socket: Socket = createSocket("udp4");
  private readonly host: string;
  private readonly port: number;

  /** `address` is a host and a port. `hear` is called with every message that comes back. */
  constructor(address: string, hear: (message: OscWords) => void) {
    const { host, port } = placeOfAddress(address);
    this.host = host;
    this.port = port;
    this.socket.on("message", (packet) => {
      for (const message of readOsc(packet)) hear(message);
    });
  }

  send(address: string, ...args: (string | number)[]): Promise<void> {
    return new Promise((resolve, reject) => {
      this.socket.send(writeOsc({ address, args }), this.port, this.host, (error) => (error ? reject(error) : resolve()));
    });
  }

  close(): void {
    this.socket.close();
  }
}
