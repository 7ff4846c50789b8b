import { networkInterfaces } from "node:os";
import type { Settings } from "../settings.ts";

/** Listens at every address that the machine has. */
export const EVERY_ADDRESS = "0.0.0.0";

/** The machine itself, as browsers write it. */
export const LOOPBACK = ["127.0.0.1", "localhost", "[::1]"] as const;

/** Whether a host is this machine alone. */
export function isLoopback(host: string): boolean {
  return host === "localhost" || host === "::1" || /^127\.\d+\.\d+\.\d+$/.test(host);
}

/** Whether somebody connects from this machine. */
export function isFromHere(address: string | undefined): boolean {
  return address !== undefined && isLoopback(address.replace(/^::ffff:/, ""));
}

/** What addresses the machine has is looked up again after so long; milliseconds. */
const LOOKED_UP = 5000;
let own: { readonly addresses: readonly string[]; readonly at: number } = { addresses: [], at: -Infinity };

/** The addresses of this machine's network. They are asked for with every request, so they are kept for a moment. */
function ownAddresses(): readonly string[] {
  if (performance.now() - own.at > LOOKED_UP) {
    const all = Object.values(networkInterfaces()).flatMap((addresses) => addresses ?? []);
    own = {
      addresses: all.filter(({ family, internal }) => family === "IPv4" && !internal).map(({ address }) => address),
      at: performance.now(),
    };
  }
  return own.addresses;
}

/** The hosts by which other machines reach a server that listens at `host`, beside the names that ZM_HOSTS gives. */
export function hostsOf(host: string): string[] {
  if (isLoopback(host)) return [];
  if (host !== EVERY_ADDRESS) return [host];
  return [...ownAddresses()];
}

/** Where other machines find the server. */
export function reachedAt({ host, port }: Pick<Settings, "host" | "port">): string[] {
  return hostsOf(host).map((each) => `https://${each}:${port}`);
}
