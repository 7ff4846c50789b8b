import type { LineRequest } from "@zm/core";
import { accept, nameVersion, rehearse } from "./check.ts";
import { choice, choose } from "./choose.ts";
import { edit } from "./edit.ts";
import { hand } from "./hand.ts";
import { history } from "./history.ts";
import { keep } from "./keep.ts";
import type { RequestKind } from "./kind.ts";
import { ask, backup, bringIn, find, help, keepCueRequest, notes, numbers, importCues, people, sendOut, view } from "./open.ts";
import { record } from "./record.ts";
import { caller, callerLeaves, logRun, osc, press } from "./run.ts";
import { handOverLead, servers } from "./servers.ts";
import { show } from "./show.ts";
import { update } from "./update.ts";

/** All that a line can ask for, by its kind. */
export const REQUEST_KINDS: Readonly<Record<LineRequest["kind"], RequestKind>> = {
  edit,
  hand,
  choose,
  choice,
  find,
  ask,
  notes,
  bringIn,
  sendOut,
  people,
  servers,
  handOver: handOverLead,
  keepCue: keepCueRequest,
  backup,
  nameVersion,
  accept,
  help,
  rehearse,
  caller,
  callerLeaves,
  logRun,
  osc,
  show,
  press,
  numbers,
  importCues,
  history,
  view,
  record,
  update,
  keep,
};
