import { type QueryClient, useQueryClient } from "@tanstack/react-query";
import { type EditInput, type ListSheet, type ShowSheet, describeEdits, listOf, readEdits, applySteps } from "@zm/core";
import { createContext, useCallback, useContext } from "react";
import { useSelection } from "../choice/selection.ts";
import { milestone } from "../shared/milestone.ts";
import { nextFrame } from "../shared/nextFrame.ts";
import { notify } from "../shared/notices.ts";
import { type UserAction, isUnsettled, tellDone, tellRefused } from "./unsettled.ts";
import { receiveHand } from "./handStore.ts";
import { type EditEvent, type RunningEditsRequest, nameOfOther } from "@zm/protocol";
import { Refusal, api } from "./api.ts";
import { seenAtOnce, useEditsLive } from "./editsLive.ts";
import { WINDOW, currentGesture } from "./gesture.ts";
import { flash } from "./flash.ts";
import { tellNewNotes } from "./newNotes.ts";
import { receiveHistory, useHistoryStore } from "./historyStore.ts";
import { useLastEdit } from "./lastEdit.ts";
import { useLastPress } from "./lastPress.ts";
import { type OpenShow, showKey } from "./openShow.ts";
import { editRun } from "./receiveFired.ts";
import { type Runner, enqueue } from "./queue.ts";

/** Takes an edit into the window's show. A window that has missed some first catches up; one that cannot, loads anew. */
export async function receiveEdit(client: QueryClient, event: EditEvent): Promise<void> {
  receiveHistory(event.history);
  const known = client.getQueryData<OpenShow>(showKey(event.show));
  if (!known || event.revision <= known.revision) return;
  useLastPress.setState({ words: null });
  if (event.revision > known.revision + 1) return catchUp(client, event.show);
  const verb = { edit: "", undo: "Taken back: ", redo: "Made again: " }[event.kind];
  const { steps } = event;
  // Of an edit of very many steps only that it was made is told.
  if (steps === null) return readAnew(client, event, verb);
  try {
    const sheet = applySteps(known.sheet, steps);
    client.setQueryData<OpenShow>(showKey(event.show), { id: known.id, revision: event.revision, sheet, whole: false });
    if (event.window !== null && event.window !== WINDOW) {
      flash(steps);
      if (event.kind === "edit") tellNewNotes(known.sheet.show, sheet.show, nameOfOther(event.person));
    }
    editRun(sheet);
    useLastEdit.setState({
      edit: {
        show: known.id,
        revision: event.revision,
        words: `${verb}${event.summary}`,
        before: known.sheet,
        after: sheet,
        steps,
      },
    });
  } catch {
    await client.invalidateQueries({ queryKey: showKey(event.show) });
  }
}

/** By show, the revision for which it is being read anew. */
const reading = new Map<number, { readonly revision: number; readonly done: Promise<void> }>();

/** Reads the whole show again after an edit, and says which; once, though a window is notified of its own edits twice. */
function readAnew(client: QueryClient, { show, revision, summary }: EditEvent, verb: string): Promise<void> {
  const under = reading.get(show);
  if (under && under.revision >= revision) return under.done;
  const done = readNow(client, show, `${verb}${summary}`).finally(() => {
    if (reading.get(show)?.revision === revision) reading.delete(show);
  });
  reading.set(show, { revision, done });
  return done;
}

async function readNow(client: QueryClient, id: number, words: string): Promise<void> {
  useLastEdit.setState({ edit: null });
  await client.invalidateQueries({ queryKey: showKey(id) });
  const read = client.getQueryData<OpenShow>(showKey(id));
  if (read) editRun(read.sheet);
  notify(words);
}

/** Asks for every edit after the revision that the window has; where that cannot be answered the whole show is read anew. */
export async function catchUp(client: QueryClient, id: number): Promise<void> {
  const known = client.getQueryData<OpenShow>(showKey(id));
  if (!known) return;
  try {
    for (const event of await api.editsAfter(id, known.revision)) await receiveEdit(client, event);
  } catch {
    await client.invalidateQueries({ queryKey: showKey(id) });
  }
}

export const ShowContext = createContext<OpenShow | null>(null);

/** The show that is open; only inside the frame. */
export function useShow(): OpenShow {
  const show = useContext(ShowContext);
  if (!show) throw new Error("useShow is used outside the frame");
  return show;
}

/** Gives the sheet as the window has it at the moment of asking, which may be later than the last render. */
export function useSheetNow(): () => ShowSheet {
  const { id, sheet } = useShow();
  const client = useQueryClient();
  return useCallback(() => client.getQueryData<OpenShow>(showKey(id))?.sheet ?? sheet, [client, id, sheet]);
}

/** The list that is worked on: the one chosen, or the show's first. */
export function useList(): ListSheet {
  const { sheet } = useShow();
  const chosen = useSelection((choice) => choice.list);
  return (chosen === null ? undefined : sheet.lists.get(chosen)) ?? listOf(sheet);
}

/** The list that runs the show: its first. */
export function useMainList(): ListSheet {
  return listOf(useShow().sheet);
}

/** The revision that the window shows now; an edit waits for the window's own edits before it. */
function revisionOf(client: QueryClient, id: number): number {
  return client.getQueryData<OpenShow>(showKey(id))?.revision ?? 0;
}

/** The list has gone on meanwhile: what was meant for its cue on stage is edited blind. Throws whatever else was refused. */
function blindOnConflict(error: unknown): undefined {
  if (!(error instanceof Refusal) || !error.conflict) throw error;
  return undefined;
}

/** Sends edits; where those of the cue on stage are to be seen at once, together with where the run stands. What the list left meanwhile is edited blind. */
async function send(client: QueryClient, id: number, edits: readonly EditInput[], gesture: string): Promise<void> {
  const main = client.getQueryData<OpenShow>(showKey(id))?.sheet.show.lists[0]?.id ?? "";
  const seen = seenAtOnce(edits, main);
  if (seen) {
    const running = { edits: [...edits], recorded: [], ...seen, settleIn: useEditsLive.getState().time };
    const reply = await api.editRunning(id, revisionOf(client, id), running, gesture).catch(blindOnConflict);
    if (reply) {
      await receiveEdit(client, reply.edit);
      return receiveHand(reply.hand);
    }
  }
  await receiveEdit(client, await api.edit(id, revisionOf(client, id), edits, gesture));
}

/** Makes edits on the show, in the order in which they are asked for; a refusal is told to the user and gives false. */
export function useMakeEdits(): (edits: readonly EditInput[], run?: Runner) => Promise<boolean> {
  const { id } = useShow();
  const client = useQueryClient();
  return useCallback(
    (edits, run = enqueue) => {
      milestone("edit-sent");
      const gesture = currentGesture();
      const make = (runner: Runner): Promise<boolean> =>
        done(
          runner(() => send(client, id, edits, gesture)),
          runner,
          { show: id, words: () => describeEdits(readEdits(edits)), again: () => make(enqueue) },
        );
      return make(run);
    },
    [client, id],
  );
}

/**
 * Makes edits that are read off the show when their turn comes, so that one which was asked for right before them counts in them: settings that
 * one edit writes whole. Of nothing to change nothing is made. A refusal is told to the user and gives false.
 */
export function useMakeEditsInTurn(): (editsOf: (sheet: ShowSheet) => readonly EditInput[]) => Promise<boolean> {
  const { id } = useShow();
  const client = useQueryClient();
  const sheetNow = useSheetNow();
  return useCallback(
    (editsOf) => {
      milestone("edit-sent");
      const gesture = currentGesture();
      let edits: readonly EditInput[] = [];
      const make = (): Promise<boolean> =>
        done(
          enqueue(async () => {
            edits = editsOf(sheetNow());
            if (edits.length > 0) await receiveEdit(client, await api.edit(id, revisionOf(client, id), edits, gesture));
          }),
          enqueue,
          { show: id, words: () => describeEdits(readEdits(edits)), again: make },
        );
      return make();
    },
    [client, id, sheetNow],
  );
}

/** Makes a record or an update while the list runs: the edit, the Hand and where the list stands are one command of the server. */
export function useMakeRunningEdits(): (running: Omit<RunningEditsRequest, "base">, run?: Runner) => Promise<boolean> {
  const { id } = useShow();
  const client = useQueryClient();
  return useCallback(
    (running, run = enqueue) => {
      const gesture = currentGesture();
      const make = (runner: Runner): Promise<boolean> =>
        done(
          runner(async () => {
            const reply = await api.editRunning(id, revisionOf(client, id), running, gesture);
            await receiveEdit(client, reply.edit);
            receiveHand(reply.hand);
          }),
          runner,
          { show: id, words: () => describeEdits(readEdits(running.edits)), again: () => make(enqueue) },
        );
      return make(run);
    },
    [client, id],
  );
}

/** The step of another window that was named, and when that came on the screen: it may be taken back by pressing once more, but not by the same burst of presses. Milliseconds. */
let named: { readonly id: string; readonly at: number } | null = null;
const BURST = 800;

/** Takes back the newest step over show and Hand, or makes again what was taken back. A step of another window is named first and taken back when asked again. */
export function useHistory(): (what: "undo" | "redo", run?: Runner) => Promise<boolean> {
  const { id } = useShow();
  const client = useQueryClient();
  return useCallback(
    (what, run = enqueue) => {
      const pressed = performance.now();
      const { words } = useHistoryStore.getState()[what] ?? { words: "" };
      return done(
        run(async () => {
          const step = useHistoryStore.getState()[what];
          if (!step) return notify(what === "undo" ? "There is nothing to take back" : "There is nothing to make again");
          const verb = what === "undo" ? "take it back" : "make it again";
          if (step.window !== WINDOW && step.window !== null) {
            if (named?.id !== step.id) {
              named = { id: step.id, at: Infinity };
              notify(`${nameOfOther(step.person)} did this: ${step.words}. Press once more to ${verb}`, "trouble");
              // Nobody has read what a busy page has not painted yet.
              return void nextFrame().then(() => {
                if (named?.id === step.id) named = { id: step.id, at: performance.now() };
              });
            }
            if (pressed < named.at + BURST) return;
          }
          named = null;
          const reply = await api.step(id, what, step.id);
          if (reply.edit) await receiveEdit(client, reply.edit);
          receiveHand(reply.hand);
          receiveHistory(reply.history);
          // What was done to the show is told beside the line until the next edit.
          if (!reply.edit) notify(what === "undo" ? `Taken back: ${reply.words}` : `Made again: ${reply.words}`);
        }),
        run,
        { show: id, words: () => `${what === "undo" ? "Take back" : "Make again"}: ${words}` },
      );
    },
    [client, id],
  );
}

/** Waits for work. A refusal is told to the user and gives false; work that another piece does in its own turn hands the refusal on to it. */
async function done(work: Promise<unknown>, run: Runner, action: UserAction): Promise<boolean> {
  try {
    await work;
    tellDone(action);
    return true;
  } catch (error) {
    if (run === enqueue || isUnsettled(error)) tellRefused(error, action);
    if (run !== enqueue) throw error;
    return false;
  }
}
