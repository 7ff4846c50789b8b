import type { QueryClient } from "@tanstack/react-query";
import { api } from "../api.ts";
import { notify } from "../../shared/notices.ts";
import { runsQuery } from "../runLog.ts";

/** Begins a run that is kept, or ends the one that is under way; true when it was done. Refusals of the server come through. */
export async function logRun(
  client: QueryClient,
  show: number,
  { begins, name = "" }: { begins: boolean; name?: string },
): Promise<boolean> {
  const { queryKey } = runsQuery(show);
  if (begins) {
    client.setQueryData(queryKey, await api.beginRun(show, name));
    notify(`A run has begun${name === "" ? "" : `: ${name}`}; what is fired belongs to it until it is ended`);
    return true;
  }
  const open = (await api.runs(show)).runs.find((run) => run.open);
  if (!open) {
    notify("No run is under way; begin run begins one", "trouble");
    return false;
  }
  client.setQueryData(queryKey, await api.changeRun(show, open.id, { ends: true }));
  notify(`The run${open.name === "" ? "" : ` ${open.name}`} is ended`);
  return true;
}
