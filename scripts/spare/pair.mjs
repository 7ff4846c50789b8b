// A server that leads and its spare, as a fault script looks at them.
import { setTimeout as sleep } from "node:timers/promises";

/** Looks at servers through a client; `told` is what the script has found so far, for when something does not come about. */
export function pairOf(servers, client, told = []) {
  const until = async (what, words, most = 60_000) => {
    const began = performance.now();
    while (performance.now() - began < most) {
      if (await what().catch(() => false)) return performance.now() - began;
      await sleep(20);
    }
    for (const line of told) process.stderr.write(`${line}\n`);
    for (const { name, lines } of servers) process.stderr.write(`${name}:\n${lines.slice(-25).join("\n")}\n`);
    throw new Error(`${words}: not within ${most / 1000} s`);
  };
  /** What a server says of itself. */
  const stateOf = async ({ address }) => {
    const { body } = await client.once(address, "GET", "/api/servers");
    return body.servers.find(({ id }) => id === body.own)?.state;
  };
  const states = () => Promise.all(servers.map((server) => stateOf(server).catch(() => null)));
  return {
    /** Waits until something is so; gives how long that took, milliseconds. */
    until,
    stateOf,
    /** The server that leads; null where none does. */
    whoLeads: async () => servers[(await states()).indexOf("leads")] ?? null,
    /** True when one leads and the other could take over. */
    isReady: async () => {
      const all = await states();
      return all.includes("leads") && all.includes("ready");
    },
    /** Waits until a server leads; where none is named, until any does. */
    leads: (server) =>
      until(
        async () => (server ? (await stateOf(server)) === "leads" : (await states()).includes("leads")),
        `${server?.name ?? "Somebody"} leads`,
      ),
    other: (server) => servers.find((each) => each !== server),
  };
}

/** What a script says at its end of what was answered and what is there. Gives the faults in words. */
export async function faultsOf(client, show, { pressed, edits, cues, twoLed }) {
  const { body: stored } = await client.ask("GET", `/api/shows/${show}`);
  const { body: state } = await client.ask("GET", `/api/shows/${show}/run`);
  const stands = state.mix.lists.main.cue;
  const faults = [];
  if (stored.revision !== edits) faults.push(`${edits} edits were acknowledged, and the show has ${stored.revision}`);
  if (stands !== String(Math.min(pressed, cues)))
    faults.push(`The list stands in cue ${stands} after ${pressed} presses that were answered`);
  if (twoLed.length > 0) faults.push(`Two servers led at once for ${twoLed.map((span) => span.toFixed(0)).join(", ")} ms`);
  return { stored, stands, faults };
}

/** Ends a script with what it found. */
export function conclude(servers, runs, faults) {
  for (const words of [...new Set(runs.flatMap(({ pressesRefused, refused }) => [...pressesRefused, ...refused]))].slice(0, 5))
    process.stdout.write(`refused: ${words}\n`);
  for (const words of faults) process.stdout.write(`FAULT: ${words}\n`);
  servers.forEach((server) => server.end());
  process.exit(faults.length === 0 ? 0 : 1);
}
