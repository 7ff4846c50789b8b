import { type LookupAddress, promises as dns } from "node:dns";
import { isIPv4 } from "node:net";
import { setTimeout as wait } from "node:timers/promises";
import { ShowError } from "@zm/core";
import { placeOfAddress } from "@zm/protocol";
import { errorMessage } from "../shared/errorMessage.ts";

/** So long a host name is looked for; milliseconds. */
const PATIENCE = 3000;

/** The numbers of a host; throws Error that says in words that it cannot be found. */
export async function findHost(host: string, find: (host: string) => Promise<LookupAddress> = lookup): Promise<string> {
  if (isIPv4(host)) return host;
  const late = new AbortController();
  const tooLate = wait(PATIENCE, undefined, { signal: late.signal }).then(() => {
    throw new Error("nobody answered in time");
  });
  try {
    return (await Promise.race([find(host), tooLate])).address;
  } catch (error) {
    const why = errorMessage(error).includes("ENOTFOUND") ? "nobody knows it" : errorMessage(error);
    throw new Error(`The host ${host} cannot be found (${why}); give another name, or its numbers, such as 127.0.0.1`, { cause: error });
  } finally {
    late.abort();
    tooLate.catch(() => undefined);
  }
}

/** Throws ShowError that names the first host of some addresses that cannot be found. */
export async function expectHosts(addresses: readonly string[]): Promise<void> {
  for (const host of new Set(addresses.map((address) => placeOfAddress(address).host))) {
    await findHost(host).catch((error: unknown) => {
      throw new ShowError(errorMessage(error));
    });
  }
}

function lookup(host: string): Promise<LookupAddress> {
  return dns.lookup(host, 4);
}

/** The numbers of host names, found beforehand and again from time to time, so that no packet waits for a name. */
export class Hosts {
  private readonly found = new Map<string, string>();
  private readonly faults = new Map<string, string>();
  private wanted: ReadonlySet<string> = new Set();

  /** `changed` is called when a host was found, or could not be. */
  constructor(
    private readonly changed: () => void,
    private readonly find: (host: string) => Promise<string> = findHost,
  ) {}

  /** Says which hosts are sent to from now on. */
  want(hosts: Iterable<string>): void {
    this.wanted = new Set(hosts);
    for (const host of this.faults.keys()) if (!this.wanted.has(host)) this.faults.delete(host);
    void this.refresh();
  }

  /** Looks for all of them again. One that was found and cannot be now stays where it was. */
  async refresh(): Promise<void> {
    await Promise.all([...this.wanted].map((host) => this.look(host)));
  }

  /** The numbers of a host; undefined while they are not known. */
  numbersOf(host: string): string | undefined {
    if (isIPv4(host)) return host;
    return this.found.get(host);
  }

  /** Why hosts cannot be sent to, in words; null where all are found. */
  get fault(): string | null {
    const [first] = [...this.faults].filter(([host]) => !this.found.has(host));
    return first?.[1] ?? null;
  }

  private async look(host: string): Promise<void> {
    if (isIPv4(host)) return;
    try {
      this.found.set(host, await this.find(host));
      this.faults.delete(host);
    } catch (error) {
      this.faults.set(host, errorMessage(error));
    }
    this.changed();
  }
}
