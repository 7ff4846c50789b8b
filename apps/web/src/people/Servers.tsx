import { useQuery, useQueryClient } from "@tanstack/react-query";
import type { ServerInfo, ServersReply } from "@zm/protocol";
import { tellTrouble } from "../shared/notices.ts";
import { serverAddress } from "../shared/serverAddress.ts";
import { api } from "../show/api.ts";
import { handOver, serversQuery } from "../show/servers.ts";
import { useWhyNot } from "../show/me.ts";

/** What a server does, as a window says it. */
const STATES: Readonly<Record<ServerInfo["state"], string>> = {
  leads: "leads",
  ready: "stands ready to take over",
  follows: "follows, and is not ready yet",
  reads: "only reads",
  cutOff: "is cut off, and holds the levels it sent last",
  silent: "is silent",
};

/** The servers of these shows: which one leads, which one stands ready, and handing the lead over. */
export function Servers() {
  const { data } = useQuery(serversQuery);
  if (!data) return null;
  const [own] = data.servers;
  const isAlone = data.servers.length === 1 && own?.state === "leads";
  return (
    <section aria-label="Servers" className="flex flex-col gap-1">
      <h3 className="text-[13px] font-bold text-quiet">Servers</h3>
      {isAlone && (
        <p className="text-quiet">
          This server is alone: when its machine fails, the show stops until it is back. A spare on a second machine takes over within a
          second; start it there over the same data with{" "}
          <span className="font-mono text-base-content">ZM_SPARE_OF={hostOf(own.address)} ./start</span>
        </p>
      )}
      <ul>
        {data.servers.map((server) => (
          <ServerRow key={server.id} server={server} reply={data} />
        ))}
      </ul>
    </section>
  );
}

function ServerRow({ server: { id, address, state }, reply }: { server: ServerInfo; reply: ServersReply }) {
  const client = useQueryClient();
  const noRun = useWhyNot("run");
  const noManage = useWhyNot("manage");
  const act = (asked: Promise<ServersReply>): void =>
    void asked.then((answer) => client.setQueryData(serversQuery.queryKey, answer), tellTrouble);
  const leader = reply.servers.find((each) => each.state === "leads");
  const isTrouble = state === "silent" || state === "cutOff";
  return (
    <li className="flex min-h-10 items-center gap-3 border-t border-rule py-1">
      <span className="min-w-0 flex-1">
        <span className="block truncate font-mono text-[13px]" title={address}>
          {address}
        </span>
        <span className={`text-[13px] ${isTrouble ? "text-error" : "text-quiet"}`}>
          {STATES[state]}
          {address === serverAddress() ? "; this window asks it" : ""}
        </span>
      </span>
      {state === "ready" && leader && (
        <ServerButton why={noRun} onClick={() => void handOver(id)}>
          Hand the lead over
        </ServerButton>
      )}
      {id === reply.own && !leader && (state === "ready" || state === "follows") && (
        <ServerButton why={noRun} onClick={() => act(api.takeOver())}>
          Take the lead
        </ServerButton>
      )}
      {state === "silent" && id !== reply.own && (
        <ServerButton why={noManage} onClick={() => act(api.forgetServer(id))}>
          Forget it
        </ServerButton>
      )}
    </li>
  );
}

function ServerButton({ why, onClick, children }: { why: string | null; onClick: () => void; children: string }) {
  return (
    <button type="button" className="btn btn-sm shrink-0 border-neutral" disabled={why !== null} title={why ?? undefined} onClick={onClick}>
      {children}
    </button>
  );
}

function hostOf(address: string): string {
  return new URL(address).host;
}
