// OSC packets as the server and programs outside exchange them: an address and its arguments, texts and numbers.
import { type OscPacketOutput, fromBuffer, toBuffer } from "osc-min";

/** An OSC message: where it goes, and what it says. */
export interface OscWords {
  readonly address: string;
  readonly args: readonly (string | number)[];
}

/** Reads the messages of a packet, a bundle's in their order. Throws Error for what is no OSC packet. What is neither text nor number counts as 1 or 0 where it is true or false, else as an empty text. */
export function readOsc(packet: Uint8Array): OscWords[] {
  return messagesIn(fromBuffer(packet));
}

/** A message as a packet: whole numbers as integers, others as floats. Control characters, at which a text would end early, are left out. */
export function writeOsc({ address, args }: OscWords): Uint8Array {
  const packet = toBuffer({ address: plainText(address), args: args.map(typed) });
  return new Uint8Array(packet.buffer, packet.byteOffset, packet.byteLength);
}

function typed(value: string | number): { type: "string"; value: string } | { type: "integer" | "float"; value: number } {
  if (typeof value === "string") return { type: "string", value: plainText(value) };
  return { type: Number.isInteger(value) && Math.abs(value) < 2 ** 31 ? "integer" : "float", value };
}

function plainText(text: string): string {
  return text.replace(/\p{Cc}+/gu, " ");
}

function messagesIn(packet: OscPacketOutput): OscWords[] {
  if (packet.oscType === "bundle") return packet.elements.flatMap(messagesIn);
  return [{ address: packet.address, args: packet.args.map(({ value }) => plainArg(value)) }];
}

function plainArg(value: unknown): string | number {
  if (typeof value === "string" || typeof value === "number") return value;
  if (typeof value === "bigint") return Number(value);
  return value === true ? 1 : value === false ? 0 : "";
}
