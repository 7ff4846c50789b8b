import {
  type LineRequest,
  type ListSheet,
  type UpdateOption,
  type UpdatePlace,
  heldNames,
  listOf,
  offeredPlace,
  isCueNumber,
  capital,
} from "@zm/core";
import { useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";
import { useNavigate } from "react-router";
import { openHelp, openNumbers, openSearch, openTake } from "../shared/dialogs.ts";
import { chooseBefore, chooseLights, useChoice } from "../choice/choice.ts";
import { litLights, otherLitLights } from "../show/hand/litLights.ts";
import { useHand } from "../show/handStore.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { unlessRefused } from "../shared/unlessRefused.ts";
import type { useKeeping } from "../show/hand/useKeeping.ts";
import type { useUpdating } from "../show/hand/useUpdating.ts";
import type { useRecording } from "../show/hand/useRecording.ts";
import { showHints } from "../shared/wordHints.ts";
import { notify } from "../shared/notices.ts";
import { putOnStage } from "../show/run/StageSwitch.tsx";
import { logRun } from "../show/run/logRun.ts";
import { pressFor, pressWords } from "../show/run/typedPress.ts";
import { usePress } from "../show/run/usePress.ts";
import { useCall } from "../show/run/useCall.ts";
import { api } from "../show/api.ts";
import { useKeepLook } from "../show/hand/useKeepLook.ts";
import { useLive } from "../show/live.ts";
import { nameVersion } from "../show/past/past.ts";
import { beginRehearsal } from "../show/rehearsal/rehearsal.ts";
import { useAccept } from "../show/accepted.ts";
import { findingsIn } from "../show/findings.ts";
import { atOnce } from "../show/queue.ts";
import { useHistory, useMakeEdits, useShow } from "../show/useShow.ts";
import { showInScore } from "../score/shown.ts";
import { useStageLook } from "../picture/stageLook.ts";
import { type LineTarget, editsBlind, useLineText } from "../choice/lineText.ts";

type Asked<K extends LineRequest["kind"]> = Extract<LineRequest, { kind: K }>;

/** What records, updates and keeps for the line. */
interface LineMakers {
  recording: ReturnType<typeof useRecording>;
  updating: ReturnType<typeof useUpdating>;
  keeping: ReturnType<typeof useKeeping>;
}

/** Kinds of lines that ask nothing of the server and are done in the moment in which they are entered. */
const DONE_HERE: ReadonlySet<LineRequest["kind"]> = new Set([
  "choose",
  "choice",
  "view",
  "find",
  "help",
  "rehearse",
  "hand",
  "numbers",
  "takeCues",
  "show",
]);

/** True for a line that is done at once and waits for nothing. */
export function isDoneHere({ kind }: LineRequest): boolean {
  return DONE_HERE.has(kind);
}

/** Chooses what a line speaks of, when it is entered: nothing moves the choice later, when the server has answered. */
export function chooseFor(request: LineRequest): void {
  if (request.kind !== "edit") return;
  if (request.cues) useChoice.setState({ cue: request.cues.from, cueEnd: request.cues.to });
  if (request.channels) chooseLights(request.channels);
}

/** Does what a line asks for; true when it was done. What asks the server does so at once: its turn has come. Refusals of the server come through. */
export function useLineRequest({
  recording,
  updating,
  keeping,
}: LineMakers): (request: LineRequest, target: LineTarget) => Promise<boolean> {
  const { id, sheet, revision } = useShow();
  const navigate = useNavigate();
  const client = useQueryClient();
  const makeEdits = useMakeEdits();
  const press = usePress();
  const keepLook = useKeepLook();
  const { call, leave } = useCall();
  const accept = useAccept();
  const history = useHistory();
  const { change, give, sway, home, time, lay, drop, outputOf } = useHandChange();

  const inHand = useCallback(
    ({ operation, channels }: Asked<"hand">): boolean => {
      if (channels) chooseLights(channels);
      // What goes live is seen live.
      useStageLook.setState({ shows: "stage" });
      const others = (wanted: boolean): number[] => (wanted ? otherLitLights(sheet, outputOf, channels ?? []) : []);
      switch (operation.do) {
        case "give":
          return give(operation.selection, operation.operation, others(operation.othersOut));
        case "home":
          return home(operation.selection, others(operation.othersOut));
        case "time":
          return time(operation.selection, operation.wish);
        case "pace":
          return lay(operation.selection, operation.pace);
        case "wave":
          return sway(operation.selection, operation.wave);
        case "inTime":
          return change({ do: "inTime", on: operation.on });
        case "takeUp":
          return change({ do: "takeUp" });
        case "drop":
          drop(heldNames(sheet, useHand.getState().hand, operation.selection, operation.waves));
          return true;
      }
    },
    [sheet, outputOf, change, give, sway, home, time, lay, drop],
  );

  const record = async ({ cue, wish }: Asked<"record">): Promise<boolean> => {
    if (cue === undefined) {
      useChoice.setState({ drawer: "record" });
      return true;
    }
    const number = cue === "new" ? recording.next : cue;
    if (number === undefined || !isCueNumber(number)) {
      notify(number === undefined ? "No number is free behind the cue on stage" : `${number} is not a cue number`, "trouble");
      return false;
    }
    const plan = unlessRefused(() => recording.plan({ ...wish, cue: number }));
    return plan !== undefined && recording.make(plan, atOnce);
  };

  const update = async ({ place, selection }: Asked<"update">): Promise<boolean> => {
    if (place === undefined) {
      useChoice.setState({ drawer: "update" });
      return true;
    }
    if (updating.cue === null) {
      notify("No cue is on stage; there is none to update", "trouble");
      return false;
    }
    const placeOf = (option: UpdateOption): UpdatePlace => offeredPlace(option, place);
    const options = updating.optionsFor(selection);
    return unlessRefused(() => updating.plan(options, placeOf)) !== undefined && updating.make(options, placeOf, atOnce);
  };

  const listAt = ({ list }: LineTarget): ListSheet => listOf(sheet, list !== null && sheet.lists.has(list) ? list : undefined);

  return async (request, target) => {
    switch (request.kind) {
      case "history":
        return history(request.what, atOnce);
      case "choose":
        if (request.channels) chooseLights(request.channels);
        if (request.cues) useChoice.setState({ cue: request.cues.from, cueEnd: request.cues.to });
        return true;
      case "choice":
        if (request.what === "lit") chooseLights(litLights(sheet, outputOf));
        else chooseBefore(request.steps ?? 1);
        return true;
      case "view":
        // What is typed next belongs to the view that was asked for, even before it is there.
        useLineText.setState({ blind: editsBlind(request.view) });
        void navigate(`/show/${id}/${request.view}`);
        return true;
      case "find":
        openSearch(request.text);
        return true;
      case "accept":
        return accept(findingsIn(target.list ?? listOf(sheet).id, request.cues), request.note);
      case "nameVersion":
        await nameVersion(client, id, revision, request.name);
        notify(`The show as it is now is called “${request.name}”`);
        return true;
      case "help":
        openHelp();
        return true;
      case "rehearse":
        beginRehearsal({ show: id, list: listAt(target).id, revision, speed: request.speed, as: "now" });
        void navigate(`/show/${id}/check/rehearsal`);
        return true;
      case "caller":
        return call(request.speed, request.from);
      case "callerLeaves":
        return leave();
      case "logRun":
        return logRun(client, id, request);
      case "osc": {
        const { address, show } = await api.osc();
        const { fault } = await api.setOsc({ on: request.on, address, show });
        notify(
          fault ?? (request.on ? `Programs outside are listened to at ${address}` : "Nobody outside is listened to"),
          fault ? "trouble" : undefined,
        );
        return fault === null;
      }
      case "numbers": {
        const { cues } = listAt(target);
        const [first, last] = [cues[0]?.number, cues.at(-1)?.number];
        if (first === undefined || last === undefined) {
          notify("There is no cue in this list to give a number", "trouble");
          return false;
        }
        openNumbers(request.cues?.from ?? first, request.cues?.to ?? last);
        return true;
      }
      case "takeCues":
        openTake(request);
        return true;
      case "show":
        if (request.what === "hints") {
          showHints(request.shown);
          return true;
        }
        void navigate(`/show/${id}/score`);
        return showInScore(request.what, request.shown, listAt(target));
      case "press": {
        if (request.press.do === "putOnStage") return putOnStage(client, id);
        const { run } = useLive.getState();
        const pressed = pressFor(request.press, run);
        return pressed === undefined || (await press(pressed, capital(pressWords(request.press, sheet, run))));
      }
      case "hand":
        return inHand(request);
      case "record":
        return record(request);
      case "update":
        return update(request);
      case "keep":
        if (request.what === "look") return keepLook(request.label, request.stage ? "stage" : "hand", atOnce);
        if (request.what === "palette") return keeping.keepPalette(request, atOnce);
        return keeping.keepPace(request.label, target.channels.length > 0 ? target.channels : undefined, atOnce);
      case "edit":
        return makeEdits(request.edits, atOnce);
    }
  };
}
