import { queryOptions } from "@tanstack/react-query";
import type { ServerInfo, ServersReply } from "@zm/protocol";
import { notify, tellTrouble } from "../shared/notices.ts";
import { serverAddress, setPassage, setServerAddress } from "../shared/serverAddress.ts";
import { api } from "./api.ts";
import { queryClient } from "./queryClient.ts";

/** Which servers there are is asked so often; milliseconds. */
const EVERY = 5000;
/** Another server that does not answer in this time is not the one; milliseconds. */
const PATIENCE = 800;

/** The servers of these shows. What was known last stays known while nobody answers. */
export const serversQuery = queryOptions({
  queryKey: ["servers"],
  queryFn: async () => {
    const reply = await api.servers();
    if (reply.servers.length > 1) void keepPassage();
    return reply;
  },
  refetchInterval: EVERY,
  staleTime: 0,
  retry: false,
});

/** The servers as this window knows them; undefined before it has asked. */
export function serversNow(): ServersReply | undefined {
  return queryClient.getQueryData(serversQuery.queryKey);
}

let passageKept = false;

/** Has what lets this window in at the other servers, before it needs it. */
async function keepPassage(): Promise<void> {
  if (passageKept) return;
  passageKept = true;
  try {
    setPassage((await api.passage()).token);
  } catch {
    passageKept = false;
  }
}

/** The server of this window does not answer: asks the others, and goes on with one that knows a leader. True where it has found one. */
export async function findOtherServer(): Promise<boolean> {
  const others = serversNow()?.servers.filter(({ address }) => address !== serverAddress()) ?? [];
  const found = await Promise.all(others.map(async (server) => ((await leads(server)) ? server : null)));
  const [first] = found.filter((server) => server !== null);
  if (!first) return false;
  setServerAddress(first.address);
  notify(`The server that this window asked is silent; it goes on with the one at ${first.address}`);
  return true;
}

/** Whether a server leads, or follows one that does. */
async function leads({ address }: ServerInfo): Promise<boolean> {
  try {
    const answer = await fetch(`${address}/api/health/lead`, { signal: AbortSignal.timeout(PATIENCE) });
    return answer.ok;
  } catch {
    return false;
  }
}

/** The spare to which the lead would go; undefined where none is ready. */
export function readySpare({ servers }: ServersReply): ServerInfo | undefined {
  return servers.find(({ state }) => state === "ready");
}

/** What handing over would do, in words. */
export function handOverWords(reply: ServersReply | undefined): string {
  const spare = reply && readySpare(reply);
  if (!spare) return "There is no spare that is ready, so the lead stays where it is";
  return `Enter hands the lead to the server at ${spare.address}; the levels go on without a gap`;
}

/** When it was asked for last; what is pressed again in the same burst is the same press. Milliseconds. */
let asked = Number.NEGATIVE_INFINITY;
const BURST = 1500;

/** Hands the lead to the spare that is ready; says what came of it. */
export async function handOver(to?: string): Promise<void> {
  if (performance.now() - asked < BURST) return;
  asked = performance.now();
  try {
    const reply = await api.handOver(to);
    queryClient.setQueryData(serversQuery.queryKey, reply);
    const leader = reply.servers.find(({ state }) => state === "leads");
    notify(`The server at ${leader?.address ?? "another address"} leads now`);
  } catch (error) {
    tellTrouble(error);
  }
}
