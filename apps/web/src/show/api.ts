import { type EditInput, type HandChange, readInSlices } from "@zm/core";
import {
  type AccountRequest,
  type BackupName,
  type BackupSettings,
  IMPORT_HEADER,
  OWN_HEADER,
  type CallerRequest,
  type JoinRequest,
  type KeepRequest,
  type OscSettings,
  type OutputSettings,
  type PasswordRequest,
  type PressRequest,
  type Role,
  type SignInRequest,
  type Route,
  type ChangeRunRequest,
  type RunningEditsRequest,
  SHOW_TYPE,
  refusalReply,
  routes,
} from "@zm/protocol";
import type { z } from "zod";
import { passageOf, serverUrl } from "../shared/serverAddress.ts";
import { requestBody } from "./requestBody.ts";
import { inSlices } from "../shared/inSlices.ts";
import { WINDOW } from "./gesture.ts";

/** A refusal by the server, with every fault it named. */
export class Refusal extends Error {
  readonly faults: readonly string[];
  /** True where the server or its database is away, so that the same may be answered later. */
  readonly passing: boolean;
  /** True where no answer came at all. */
  readonly unanswered: boolean;
  /** True where what was asked meets what somebody else has done meanwhile. */
  readonly conflict: boolean;
  /** The name that the request had, by which the server can be asked later whether it was stored. */
  readonly request: string | null;
  constructor(
    message: string,
    faults: readonly string[],
    { passing = false, unanswered = false, conflict = false, request = null }: Partial<Omit<Refusal, keyof Error | "faults">> = {},
  ) {
    super(message);
    this.faults = faults;
    this.passing = passing;
    this.unanswered = unanswered;
    this.conflict = conflict;
    this.request = request;
  }
}

interface Sent {
  /** What the path names in braces. */
  readonly at?: Readonly<Record<string, string | number>>;
  readonly query?: string;
  readonly headers?: Readonly<Record<string, string>>;
  /** The answer holds a show, which may be large: it is read in slices. */
  readonly isShow?: boolean;
}

/** What is done when the server no longer knows who this window is. Set by whoever knows the way to the door. */
export const whenSignedOut = { act: (): void => undefined };

/** So long an answer is waited for; milliseconds. The server itself gives up sooner, in words. */
const LONGEST = 30_000;
/** What was not answered is asked once more after so long, where the same twice is done once; milliseconds. */
const AGAIN = 1500;

/** A name of its own for something that is asked: the same one twice is done once. */
export function requestName(): string {
  return `${WINDOW.slice(0, 24)}-${Date.now().toString(36)}-${(named += 1)}`;
}
let named = 0;

/** Asks, and once more where no answer came: the server knows the request by its name. What it refuses comes through at once. */
async function once<T>(ask: (request: string) => Promise<T>): Promise<T> {
  const request = requestName();
  const withItsName = (error: unknown): never => {
    throw error instanceof Refusal ? new Refusal(error.message, error.faults, { ...error, request }) : error;
  };
  try {
    return await ask(request);
  } catch (error) {
    if (!(error instanceof Refusal) || !error.unanswered) return withItsName(error);
    await new Promise((resolve) => setTimeout(resolve, AGAIN));
    return ask(request).catch(withItsName);
  }
}

/** Asks the server and holds its answer against the contract. Throws Refusal with the server's own words. */
async function call<Request extends z.ZodType, Reply extends z.ZodType>(
  { method, path, reply }: Route<Request, Reply>,
  body: z.input<Request>,
  { at = {}, query = "", headers = {}, isShow = false }: Sent = {},
): Promise<z.output<Reply>> {
  const url = serverUrl(path.replace(/{(\w+)}/g, (_, name: string) => encodeURIComponent(String(at[name] ?? "")))) + query;
  const passage = passageOf();
  const isText = typeof body === "string";
  const own = new Headers({ ...headers, [OWN_HEADER.name]: OWN_HEADER.value });
  if (body !== undefined) own.set("Content-Type", isText ? SHOW_TYPE : "application/json");
  if (passage !== null) own.set("Authorization", `Bearer ${passage}`);
  const sent = body === undefined ? {} : { body: isText ? body : await requestBody(body) };
  // A document on its way takes as long as it takes.
  const limit = isText ? {} : { signal: AbortSignal.timeout(LONGEST) };
  const response = await fetch(url, { method, headers: own, credentials: "include", ...limit, ...sent }).catch(() => {
    throw new Refusal(
      "The server does not answer. If this was stored all the same it appears here when the server is back; look before you do it again.",
      [],
      { passing: true, unanswered: true },
    );
  });
  const reading = isShow ? response.text().then((text) => inSlices(readInSlices(text))) : response.json();
  const answer: unknown = await reading.catch(() => ({}));
  if (response.ok) return reply.parse(answer);
  if (response.status === 401) whenSignedOut.act();
  const refused = refusalReply.safeParse(answer);
  const why = { passing: response.status >= 500, conflict: response.status === 409 };
  throw refused.success
    ? new Refusal(refused.data.message, refused.data.faults, why)
    : new Refusal(`The server answered ${response.status}`, [], why);
}

/** What can be asked of the server. Every call throws Refusal with the server's own words. */
export const api = {
  shows: () => call(routes.shows, undefined),
  show: (id: number) => call(routes.show, undefined, { at: { id }, isShow: true }),
  editsAfter: (id: number, revision: number) => call(routes.editsAfter, undefined, { at: { id }, query: `?after=${revision}` }),
  isStored: (id: number, request: string) => call(routes.isStored, undefined, { at: { id, request } }),
  accepted: (id: number) => call(routes.accepted, undefined, { at: { id } }),
  accept: (id: number, findings: readonly string[], note: string | null) =>
    call(routes.accept, { findings: [...findings], note, window: WINDOW }, { at: { id } }),
  history: (id: number, before: number | null) =>
    call(routes.history, undefined, { at: { id }, query: before === null ? "" : `?before=${before}` }),
  nameVersion: (id: number, revision: number, name: string) => call(routes.nameVersion, { revision, name, window: WINDOW }, { at: { id } }),
  pastShow: (id: number, revision: number) => call(routes.pastShow, undefined, { at: { id, revision }, isShow: true }),
  sameCues: (id: number, revision: number, to: number) => call(routes.sameCues, undefined, { at: { id, revision }, query: `?to=${to}` }),
  goBack: (id: number, revision: number, gesture: string) =>
    once((request) => call(routes.goBack, { revision, gesture, window: WINDOW, request }, { at: { id } })),
  edit: (id: number, base: number, edits: readonly EditInput[], gesture: string) =>
    once((request) => call(routes.edit, { base, edits: [...edits], gesture, window: WINDOW, request }, { at: { id } })),
  editRunning: (id: number, base: number, running: Omit<RunningEditsRequest, "base">, gesture: string) =>
    once((request) => call(routes.editRunning, { ...running, base, gesture, window: WINDOW, request }, { at: { id } })),
  step: (id: number, what: "undo" | "redo", step: string) =>
    once((request) => call(routes[what], { step, window: WINDOW, request }, { at: { id } })),
  press: (id: number, press: PressRequest) => call(routes.press, press, { at: { id } }),
  run: (id: number) => call(routes.run, undefined, { at: { id } }),
  output: () => call(routes.output, undefined),
  setOutput: (settings: OutputSettings) => call(routes.setOutput, settings),
  servers: () => call(routes.servers, undefined),
  passage: () => call(routes.passage, {}),
  handOver: (to?: string) => call(routes.handOver, to === undefined ? {} : { to }),
  takeOver: () => call(routes.takeOver, {}),
  forgetServer: (server: string) => call(routes.forgetServer, undefined, { at: { server } }),
  stage: () => call(routes.stage, undefined),
  putOnStage: (show: number | null) => call(routes.putOnStage, { show }),
  osc: () => call(routes.osc, undefined),
  setOsc: (settings: OscSettings) => call(routes.setOsc, settings),
  runs: (id: number) => call(routes.runs, undefined, { at: { id } }),
  newestRuns: (id: number) => call(routes.newestRuns, undefined, { at: { id } }),
  loggedRun: (id: number, run: number) => call(routes.loggedRun, undefined, { at: { id, run } }),
  beginRun: (id: number, name: string) => call(routes.beginRun, { name }, { at: { id } }),
  changeRun: (id: number, run: number, change: ChangeRunRequest) => call(routes.changeRun, change, { at: { id, run } }),
  removeRun: (id: number, run: number) => call(routes.removeRun, undefined, { at: { id, run } }),
  caller: (id: number) => call(routes.caller, undefined, { at: { id } }),
  startCaller: (id: number, wish: CallerRequest) => call(routes.startCaller, wish, { at: { id } }),
  stopCaller: (id: number) => call(routes.stopCaller, undefined, { at: { id } }),
  sentLevels: () => call(routes.sentLevels, undefined),
  hand: (id: number) => call(routes.hand, undefined, { at: { id } }),
  changeHand: (id: number, changes: readonly HandChange[], gesture: string) =>
    call(routes.changeHand, { changes: [...changes], gesture, window: WINDOW }, { at: { id } }),
  forgetDamagedHand: (id: number) => call(routes.forgetDamagedHand, {}, { at: { id } }),
  rename: (id: number, title: string) => once((request) => call(routes.rename, { title, window: WINDOW, request }, { at: { id } })),
  remove: (id: number, title: string) => call(routes.remove, { title, window: WINDOW }, { at: { id } }),
  importShow: (text: string, name?: string) =>
    call(routes.importShow, text, name === undefined ? {} : { headers: { [IMPORT_HEADER]: name } }),
  backups: () => call(routes.backups, undefined),
  setBackups: (settings: BackupSettings) => call(routes.setBackups, settings),
  backUp: (id: number) => call(routes.backUp, {}, { at: { id } }),
  restore: (name: BackupName) => call(routes.restore, name),
  keepCue: (id: number, wish: KeepRequest) => call(routes.keepCue, wish, { at: { id } }),
  me: () => call(routes.me, undefined),
  signIn: (who: SignInRequest) => call(routes.signIn, who),
  signOut: () => call(routes.signOut, undefined),
  signOutEverywhere: () => call(routes.signOutEverywhere, undefined),
  changePassword: (passwords: PasswordRequest) => call(routes.changePassword, passwords),
  people: () => call(routes.people, undefined),
  addAccount: (account: AccountRequest) => call(routes.addAccount, account),
  changeRole: (name: string, role: Role) => call(routes.changeRole, { role }, { at: { name } }),
  removeAccount: (name: string) => call(routes.removeAccount, undefined, { at: { name } }),
  invite: (role: Role) => call(routes.invite, { role }),
  withdraw: (invitation: number) => call(routes.withdraw, undefined, { at: { invitation } }),
  join: (wish: JoinRequest) => call(routes.join, wish),
  importState: (name: string) => call(routes.importState, undefined, { at: { name } }),
};
