import { z } from "zod";
import { backupEntry, backupName, backupSettings, backupsState } from "./backups.ts";
import { acceptRequest, acceptedReply } from "./checks.ts";
import { handReply, handRequest, handState } from "./hand.ts";
import { editEvent, editsRequest, stepRequest } from "./history.ts";
import { callerRequest, callerState, oscSettings, oscState } from "./osc.ts";
import { outputSettings, outputState, sentLevels, stageRequest, stageState } from "./output.ts";
import { backRequest, historyPage, pastShow, sameCues, versionRequest, versionsReply } from "./past.ts";
import {
  accountRequest,
  invitationReply,
  joinRequest,
  meReply,
  passwordRequest,
  peopleReply,
  roleRequest,
  signInRequest,
} from "./people.ts";
import { keepRequest, keptReply } from "./presence.ts";
import { pressRequest, runEvent, runState, runningEditsRequest, runningReply, stepReply } from "./run.ts";
import { beginRunRequest, loggedRun, changeRunRequest, loggedRunsReply, runsReply } from "./runlog.ts";
import { handOverRequest, passageReply, serversReply } from "./servers.ts";
import { importReply, importState, openShowReply, removeReply, showSummary, storedReply, titleRequest } from "./shows.ts";

/** One thing that can be asked of the server. `{id}` in a path is the number of a show. */
export interface Route<Request extends z.ZodType, Reply extends z.ZodType> {
  readonly method: "GET" | "POST" | "PUT" | "PATCH" | "DELETE";
  readonly path: string;
  readonly request: Request;
  readonly reply: Reply;
}

/** Nothing is sent but what the path says. */
const nothing = z.undefined();

function route<Request extends z.ZodType, Reply extends z.ZodType>(
  method: Route<Request, Reply>["method"],
  path: string,
  request: Request,
  reply: Reply,
): Route<Request, Reply> {
  return { method, path, request, reply };
}

/** Every request that windows make, by what it is for. The document of a show is sent and fetched as text beside these. */
export const routes = {
  shows: route("GET", "/api/shows", nothing, z.array(showSummary)),
  importShow: route("POST", "/api/shows", z.string(), importReply),
  importState: route("GET", "/api/shows/imports/{name}", nothing, importState),
  show: route("GET", "/api/shows/{id}", nothing, openShowReply),
  rename: route("PATCH", "/api/shows/{id}", titleRequest, editEvent),
  remove: route("DELETE", "/api/shows/{id}", titleRequest, removeReply),
  editsAfter: route("GET", "/api/shows/{id}/edits", nothing, z.array(editEvent)),
  isStored: route("GET", "/api/shows/{id}/requests/{request}", nothing, storedReply),
  edit: route("POST", "/api/shows/{id}/edits", editsRequest, editEvent),
  history: route("GET", "/api/shows/{id}/history", nothing, historyPage),
  nameVersion: route("POST", "/api/shows/{id}/versions", versionRequest, versionsReply),
  pastShow: route("GET", "/api/shows/{id}/at/{revision}", nothing, pastShow),
  sameCues: route("GET", "/api/shows/{id}/at/{revision}/cues", nothing, sameCues),
  goBack: route("POST", "/api/shows/{id}/back", backRequest, editEvent),
  accepted: route("GET", "/api/shows/{id}/accepted", nothing, acceptedReply),
  accept: route("POST", "/api/shows/{id}/accepted", acceptRequest, acceptedReply),
  undo: route("POST", "/api/shows/{id}/undo", stepRequest, stepReply),
  redo: route("POST", "/api/shows/{id}/redo", stepRequest, stepReply),
  editRunning: route("POST", "/api/shows/{id}/run/edits", runningEditsRequest, runningReply),
  run: route("GET", "/api/shows/{id}/run", nothing, runState),
  press: route("POST", "/api/shows/{id}/run", pressRequest, runEvent),
  hand: route("GET", "/api/shows/{id}/hand", nothing, handState),
  changeHand: route("POST", "/api/shows/{id}/hand", handRequest, handReply),
  forgetDamagedHand: route("DELETE", "/api/shows/{id}/hand/damaged", z.object({}), handState),
  output: route("GET", "/api/output", nothing, outputState),
  setOutput: route("PUT", "/api/output", outputSettings, outputState),
  stage: route("GET", "/api/stage", nothing, stageState),
  putOnStage: route("PUT", "/api/stage", stageRequest, stageState),
  osc: route("GET", "/api/osc", nothing, oscState),
  setOsc: route("PUT", "/api/osc", oscSettings, oscState),
  runs: route("GET", "/api/shows/{id}/runs", nothing, runsReply),
  beginRun: route("POST", "/api/shows/{id}/runs", beginRunRequest, runsReply),
  newestRuns: route("GET", "/api/shows/{id}/runs/newest", nothing, loggedRunsReply),
  loggedRun: route("GET", "/api/shows/{id}/runs/{run}", nothing, loggedRun),
  changeRun: route("PATCH", "/api/shows/{id}/runs/{run}", changeRunRequest, runsReply),
  removeRun: route("DELETE", "/api/shows/{id}/runs/{run}", nothing, runsReply),
  caller: route("GET", "/api/shows/{id}/caller", nothing, callerState),
  startCaller: route("POST", "/api/shows/{id}/caller", callerRequest, callerState),
  stopCaller: route("DELETE", "/api/shows/{id}/caller", nothing, callerState),
  backups: route("GET", "/api/backups", nothing, backupsState),
  setBackups: route("PUT", "/api/backups", backupSettings, backupsState),
  backUp: route("POST", "/api/shows/{id}/backups", z.object({}), backupEntry),
  restore: route("POST", "/api/backups/restore", backupName, importReply),
  servers: route("GET", "/api/servers", nothing, serversReply),
  handOver: route("POST", "/api/servers/hand-over", handOverRequest, serversReply),
  takeOver: route("POST", "/api/servers/take-over", z.object({}), serversReply),
  forgetServer: route("DELETE", "/api/servers/{server}", nothing, serversReply),
  passage: route("POST", "/api/me/passage", z.object({}), passageReply),
  me: route("GET", "/api/me", nothing, meReply),
  signIn: route("POST", "/api/sessions", signInRequest, meReply),
  signOut: route("DELETE", "/api/sessions/own", nothing, meReply),
  signOutEverywhere: route("DELETE", "/api/sessions", nothing, meReply),
  changePassword: route("PUT", "/api/me/password", passwordRequest, meReply),
  people: route("GET", "/api/people", nothing, peopleReply),
  addAccount: route("POST", "/api/people", accountRequest, peopleReply),
  changeRole: route("PATCH", "/api/people/{name}", roleRequest, peopleReply),
  removeAccount: route("DELETE", "/api/people/{name}", nothing, peopleReply),
  invite: route("POST", "/api/invitations", roleRequest, invitationReply),
  withdraw: route("DELETE", "/api/invitations/{invitation}", nothing, peopleReply),
  join: route("POST", "/api/invitations/join", joinRequest, meReply),
  kept: route("GET", "/api/shows/{id}/kept", nothing, keptReply),
  keepCue: route("POST", "/api/shows/{id}/kept", keepRequest, keptReply),
  sentLevels: route("GET", "/api/output/levels", nothing, sentLevels),
} as const;
