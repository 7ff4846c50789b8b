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
  const { show, main, run } = useLive.getState();
  if (event.show !== show || (main !== null && event.list !== main)) return;
  if (run && event.turn <= run.turn) return;
  const next = run ? computed(client.getQueryData<OpenShow>(showKey(show)), run, event) : undefined;
  if (next) takeRun(next);
  else void askWhole(show);
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

/** The question for the whole that is under way; `again` where something was fired meanwhile that its answer may not hold. */
let asking: { readonly show: number; again: boolean } | null = null;

async function askWhole(show: number): Promise<void> {
  if (asking?.show === show) {
    asking.again = true;
    return;
  }
  const own = { show, again: false };
  asking = own;
  try {
    do {
      own.again = false;
      takeRun(await api.run(show));
    } while (own.again);
  } catch {
    // The line to the server is down; a window that comes back begins with the whole.
  } finally {
    if (asking === own) asking = null;
  }
}
