import type { EditInput, Hand, HandChange, ListClock, Playback, Step } from "@zm/core";

/** One change of a show as the server tells it. */
export interface EditNews {
  show: number;
  revision: number;
  kind: "edit" | "undo" | "redo";
  summary: string;
  steps: Step[];
  canUndo: string | null;
  canRedo: string | null;
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
}
export interface ShowEntry {
  id: number;
  title: string;
  revision: number;
}
export interface ShowReply {
  revision: number;
  show: unknown;
  canUndo: string | null;
  canRedo: string | null;
}
export interface Press {
  press: "go" | "back" | "hold" | "goto" | "stand";
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

async function call<T>(path: string, options: RequestInit = {}): Promise<T> {
  const response = await fetch(path, options).catch(() => {
    throw new Refusal("The server cannot be reached; nothing was changed.", []);
  });
  const body: unknown = await response.json().catch(() => ({}));
  if (response.ok) return body as T;
  const { message, faults } = body as { message?: string; faults?: string[] };
  throw new Refusal(message ?? `The server answered ${response.status}`, faults ?? []);
}

function post<T>(path: string, body: unknown = {}): Promise<T> {
  return call<T>(path, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) });
}

/** What can be asked of the server. Every call throws Refusal with the server's own words. */
export const api = {
  shows: () => call<ShowEntry[]>("/api/shows"),
  show: (id: number) => call<ShowReply>(`/api/shows/${id}`),
  editsAfter: (id: number, revision: number) => call<EditNews[]>(`/api/shows/${id}/edits?after=${revision}`),
  edit: (id: number, base: number, edits: readonly EditInput[]) => post<EditNews>(`/api/shows/${id}/edits`, { base, edits }),
  undo: (id: number) => post<EditNews>(`/api/shows/${id}/undo`),
  redo: (id: number) => post<EditNews>(`/api/shows/${id}/redo`),
  press: (id: number, press: Press) => post<RunState>(`/api/shows/${id}/run`, press),
  hand: (id: number) => call<HandNews>(`/api/shows/${id}/hand`),
  changeHand: (id: number, changes: readonly HandChange[]) => post<HandNews & { stored: boolean }>(`/api/shows/${id}/hand`, { changes }),
  handBack: (id: number) => post<HandNews & { stored: boolean }>(`/api/shows/${id}/hand/back`),
  importShow: (text: string) =>
    call<{ id: number }>("/api/shows", {
      method: "POST",
      headers: { "Content-Type": "application/vnd.zealous-mark.show+json" },
      body: text,
    }),
};
