import { type QueryClient } from "@tanstack/react-query";
import { afterFiring, playbackCheck } from "@zm/core";
import type { RunEvent, RunState } from "@zm/protocol";
import { api } from "./api.ts";
import { takeRun, useLive } from "./liveStore.ts";
import { type OpenShow, showKey } from "./openShow.ts";

/**
 * Takes what has been fired: the playback is computed here, with the same core as on the server. A window that has lost its place
 * (it missed something, has another revision of the show, or comes to another result) asks for the whole.
 */
export function takeFired(client: QueryClient, event: RunEvent): void {
  const { main, run } = useLive.getState();
  if (main !== null && event.list !== main) return;
  if (run?.show === event.show && event.turn <= run.turn) return;
  const next = run?.show === event.show ? computed(client.getQueryData<OpenShow>(showKey(event.show)), run, event) : undefined;
  if (next) takeRun(next);
  else void askWhole(event.show);
}

function computed(
  open: OpenShow | undefined,
  run: RunState,
  { show, turn, list: id, revision, firings, clock, check }: RunEvent,
): RunState | undefined {
  const list = open?.sheet.lists.get(id);
  if (!list || open?.revision !== revision || turn !== run.turn + 1) return undefined;
  try {
    const playback = firings.reduce((before, firing) => afterFiring(before, list, firing), run.playback);
    return playbackCheck(playback, list.keys) === check ? { show, turn, playback, clock } : undefined;
  } catch {
    return undefined;
  }
}

/** A question for the whole that is under way answers whatever is fired meanwhile, or is asked again. */
let asking = false;

async function askWhole(show: number): Promise<void> {
  if (asking) return;
  asking = true;
  try {
    takeRun(await api.run(show));
  } catch {
    // The line to the server is down; a window that comes back begins with the whole.
  } finally {
    asking = false;
  }
}
