import { z } from "zod";

/** A host and a port, such as 127.0.0.1:8765: where something is sent, or where somebody listens. */
export const ADDRESS = /^[\w.-]{1,253}:\d{1,5}$/;

/** An address as a setting, with one that could stand there in the refusal. */
export const addressLike = (example: string) => z.string().regex(ADDRESS, `an address is a host and a port, such as ${example}`);

/** An address as its host and its port. For one that has been held against `ADDRESS`. */
export function placeOfAddress(address: string): { host: string; port: number } {
  const colon = address.lastIndexOf(":");
  return { host: address.slice(0, colon), port: Number(address.slice(colon + 1)) };
}
