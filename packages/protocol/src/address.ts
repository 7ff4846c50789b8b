import { z } from "zod";

/** The shape of a host and a port. */
const SHAPE = /^([\w.-]{1,253}):(\d{1,5})$/;

/** True for a host and a port, such as 127.0.0.1:8765: where something is sent, or where somebody listens. A port is 1 to 65535; a host of four numbers has none above 255. */
export function isAddress(text: unknown): text is string {
  if (typeof text !== "string") return false;
  const [, host = "", digits = ""] = SHAPE.exec(text) ?? [];
  const port = Number(digits);
  if (host === "" || port < 1 || port > 65_535) return false;
  const isOfNumbers = /^[\d.]+$/.test(host);
  return !isOfNumbers || isMachine(host);
}

/** True for the address of a machine, four numbers up to 255. */
export function isMachine(text: unknown): text is string {
  return typeof text === "string" && /^(\d{1,3}\.){3}\d{1,3}$/.test(text) && text.split(".").every((part) => Number(part) <= 255);
}

/** What is said of an address that is none. */
export function addressFault(example: string): string {
  return `an address is a host and a port from 1 to 65535, such as ${example}`;
}

/** An address as a setting, with one that could stand there in the refusal. */
export const addressLike = (example: string) => z.string().refine(isAddress, addressFault(example));

/** An address as its host and its port. For one that `isAddress`. */
export function placeOfAddress(address: string): { host: string; port: number } {
  const colon = address.lastIndexOf(":");
  return { host: address.slice(0, colon), port: Number(address.slice(colon + 1)) };
}
