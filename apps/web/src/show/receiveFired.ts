import { type QueryClient } from "@tanstack/react-query";
import {
  type RunChange,
  type Mix,
  type Press,
  type ShowSheet,
  copyMix,
  applyRunChange,
  runChangeOf,
  listOf,
  mixAfterEdit,
  mixCheck,
  mixFrom,
  renewedCopy,
} from "@zm/core";
import type { RunEvent, RunState } from "@zm/protocol";
import { api } from "./api.ts";
import { type LiveRun, runNow, useLive } from "./liveStore.ts";
import { type OpenShow, showKey } from "./openShow.ts";

/** Takes all that runs, whole; nothing older than what is known, and only of the show that is open. */
export function receiveRun(client: QueryClient, { show, version, origin, mix }: RunState): void {
  const { show: open, run: known } = useLive.getState();
  const sheet = client.getQueryData<OpenShow>(showKey(show))?.sheet;
  if (show !== open || !sheet || (known && version < known.version)) return;
  showRun({ show, version, origin, base: mixFrom(sheet, mix) }, sheet);
}

/**
 * Takes what has happened to what runs: the run is computed here, with the same core as on the server. A window that has lost its place (it missed
 * something, or comes to another result) asks for the whole.
 */
export function receiveFired(client: QueryClient, event: RunEvent): void {
  const { show, run } = useLive.getState();
  if (event.show !== show) return;
  if (event.press !== null) pressed.delete(event.press);
  if (run && event.version <= run.version) return;
  const sheet = client.getQueryData<OpenShow>(showKey(show))?.sheet;
  const base = run && sheet && event.version === run.version + 1 ? computed(run, sheet, event) : undefined;
  if (run && sheet && base) showRun({ show, version: event.version, origin: run.origin, base }, sheet);
  else void askWhole(client, show);
}

/** What was pressed here and is not answered yet, in its order; it lies over what the server knows of. */
const pressed = new Map<string, (mix: Mix) => void>();

function computed({ base }: LiveRun, sheet: ShowSheet, { change, check }: RunEvent): Mix | undefined {
  try {
    const next = applyRunChange(base, change, sheet, listOf(sheet).id);
    // Here nobody asks what has fired: the server says so.
    next.log.length = 0;
    next.reports.length = 0;
    return mixCheck(next) === check ? next : undefined;
  } catch {
    return undefined;
  }
}

/** Shows a run: a copy of it goes on with time. */
function showRun({ base, ...run }: Omit<LiveRun, "mix">, sheet: ShowSheet): void {
  const mix = renewedCopy(base, sheet, useLive.getState().run?.mix);
  if (mix !== base) for (const press of pressed.values()) press(mix);
  useLive.setState({ run: { ...run, base, mix } });
}

/** The show has been edited here: what runs goes on as it was told, over the edited show. */
export function editRun(sheet: ShowSheet): void {
  const { run } = useLive.getState();
  if (!run) return;
  const base = mixAfterEdit(run.base, sheet, run.base.now);
  const mix = mixAfterEdit(run.mix, sheet, run.mix.now);
  useLive.setState({ run: { ...run, base, mix } });
}

/** Shows at once what was pressed here, by its name; what the server says of it comes to take its place. What cannot be done is left to the server to refuse. */
export function pressHere(id: string, sheet: ShowSheet, press: Press): void {
  const { run } = useLive.getState();
  if (!run) return;
  const change = changeHere(run, press, listOf(sheet).id);
  if (!change) return;
  const apply = (mix: Mix): void => {
    try {
      applyRunChange(mix, change, sheet, listOf(sheet).id);
    } catch {
      // The server refuses it in words.
    }
  };
  pressed.set(id, apply);
  apply(run.mix);
  useLive.setState({ run: { ...run } });
}

/** What a press does here, as the server will work it out too; undefined for one that it will refuse, and for the end of a bump, of which it alone knows where the fader goes. */
function changeHere(run: LiveRun, press: Press, first: string): RunChange | undefined {
  if (press.press === "bump" && press.held === false) return undefined;
  try {
    return runChangeOf(run.mix, press, runNow(run), first);
  } catch {
    return undefined;
  }
}

/** A press has been answered, or gave way to a newer one. */
export function pressAnswered(id: string): void {
  pressed.delete(id);
}

/** Shows again what the server knows of, after something that was pressed here has been refused. */
export function unpressHere(id: string): void {
  pressed.delete(id);
  const { run } = useLive.getState();
  if (!run || run.mix === run.base) return;
  copyMix(run.mix, run.base);
  for (const press of pressed.values()) press(run.mix);
  useLive.setState({ run: { ...run } });
}

/** The question for the whole that is under way; `again` where something happened meanwhile that its answer may not hold. */
let asking: { readonly show: number; again: boolean } | null = null;

async function askWhole(client: QueryClient, show: number): Promise<void> {
  if (asking?.show === show) {
    asking.again = true;
    return;
  }
  const own = { show, again: false };
  asking = own;
  try {
    do {
      own.again = false;
      receiveRun(client, await api.run(show));
    } while (own.again);
  } catch {
    // The line to the server is down; a window that comes back begins with the whole.
  } finally {
    if (asking === own) asking = null;
  }
}
