import type { EditInput, Hand, HandChange, ListClock, Playback, Show, Step } from "@zm/core";
import { WINDOW } from "./gesture.ts";

/** A step that can be taken back or made again, as the server tells it. */
export interface StepNews {
  id: string;
  of: "edit" | "hand";
  words: string;
  window: string | null;
}
/** What undo and redo would do next. */
export interface HistoryNews {
  show: number;
  turn: number;
  undo: StepNews | null;
  redo: StepNews | null;
}
/** One change of a show as the server tells it. */
export interface EditNews {
  show: number;
  revision: number;
  kind: "edit" | "undo" | "redo";
  summary: string;
  steps: Step[];
  history: HistoryNews;
}
/** A running list as the server tells it. */
export interface RunState {
  show: number;
  playback: Playback;
  clock: ListClock;
}
/** What is in hand as the server tells it. */
export interface HandNews {
  show: number;
  turn: number;
  hand: Hand;
  /** A stored Hand could not be read and is kept beside this one. */
  damaged: boolean;
  history: HistoryNews;
}
export interface ShowEntry {
  id: number;
  title: string;
  revision: number;
}
export interface ShowReply {
  revision: number;
  show: Show;
  history: HistoryNews;
}
export interface StepReply {
  words: string;
  edit: EditNews | null;
  hand: HandNews;
  history: HistoryNews;
}
/** An edit made together with the run: a record or an update. */
export interface RunningEdits {
  edits: readonly EditInput[];
  /** Keys in hand that count as recorded from then on. */
  recorded: readonly string[];
  list: string;
  /** The cue that this window sees on stage; the server refuses when the list has gone on. */
  onStage: string | null;
  /** The cue in which the list stands afterwards; left out, where it stood. */
  stands?: string | undefined;
}
export interface RunningReply {
  edit: EditNews;
  hand: HandNews;
  run: RunState;
}
export interface ImportState {
  stage: "reading" | "storing" | "over";
  stored: number;
  all: number;
}
export interface Press {
  press: "go" | "back" | "hold" | "goto";
  cue?: string;
  time?: number;
}

/** A refusal by the server, with every fault it named. */
export class Refusal extends Error {
  readonly faults: readonly string[];
  constructor(message: string, faults: readonly string[]) {
    super(message);
    this.faults = faults;
  }
}

/** The server sends no page to others and takes nothing from them: what changes something says that it comes from here. */
const OWN = { "X-Requested-With": "zealous-mark" };

async function call<T>(path: string, options: RequestInit = {}): Promise<T> {
  const response = await fetch(path, { ...options, headers: { ...OWN, ...options.headers } }).catch(() => {
    throw new Refusal(
      "The server does not answer. If this was stored all the same it appears here when the server is back; look before you do it again.",
      [],
    );
  });
  const body: unknown = await response.json().catch(() => ({}));
  if (response.ok) return body as T;
  const { message, faults } = body as { message?: string; faults?: string[] };
  throw new Refusal(message ?? `The server answered ${response.status}`, faults ?? []);
}

function send<T>(method: "POST" | "PATCH" | "DELETE", path: string, body: object = {}): Promise<T> {
  return call<T>(path, { method, headers: { "Content-Type": "application/json" }, body: JSON.stringify({ ...body, window: WINDOW }) });
}

/** What can be asked of the server. Every call throws Refusal with the server's own words. */
export const api = {
  shows: () => call<ShowEntry[]>("/api/shows"),
  show: (id: number) => call<ShowReply>(`/api/shows/${id}`),
  editsAfter: (id: number, revision: number) => call<EditNews[]>(`/api/shows/${id}/edits?after=${revision}`),
  edit: (id: number, base: number, edits: readonly EditInput[], gesture: string) =>
    send<EditNews>("POST", `/api/shows/${id}/edits`, { base, edits, gesture }),
  editRunning: (id: number, base: number, running: RunningEdits, gesture: string) =>
    send<RunningReply>("POST", `/api/shows/${id}/run/edits`, { base, ...running, gesture }),
  step: (id: number, what: "undo" | "redo", step: string) => send<StepReply>("POST", `/api/shows/${id}/${what}`, { step }),
  press: (id: number, press: Press) => call<RunState>(`/api/shows/${id}/run`, jsonBody(press)),
  run: (id: number) => call<RunState>(`/api/shows/${id}/run`),
  hand: (id: number) => call<HandNews>(`/api/shows/${id}/hand`),
  changeHand: (id: number, changes: readonly HandChange[], gesture: string) =>
    send<HandNews & { stored: boolean }>("POST", `/api/shows/${id}/hand`, { changes, gesture }),
  forgetDamagedHand: (id: number) => send<HandNews>("DELETE", `/api/shows/${id}/hand/damaged`),
  rename: (id: number, title: string) => send<EditNews>("PATCH", `/api/shows/${id}`, { title }),
  remove: (id: number, title: string) => send<{ removed: number }>("DELETE", `/api/shows/${id}`, { title }),
  importShow: (text: string, name?: string) =>
    call<{ id: number }>("/api/shows", {
      method: "POST",
      headers: { "Content-Type": "application/vnd.zealous-mark.show+json", ...(name === undefined ? {} : { "X-Import": name }) },
      body: text,
    }),
  importState: (name: string) => call<ImportState>(`/api/shows/imports/${name}`),
};

function jsonBody(body: object): RequestInit {
  return { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) };
}
