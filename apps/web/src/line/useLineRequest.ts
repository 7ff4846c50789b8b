import { type LineRequest, type UpdateOption, type UpdatePlace, heldKeys, offeredPlace, isCueNumber } from "@zm/core";
import { useCallback } from "react";
import { useNavigate } from "react-router";
import { chooseBefore, chooseLights, chosenLights, useChoice } from "../choice/choice.ts";
import { litLights } from "../give/ChooseLights.tsx";
import { useHand } from "../hand/handStore.ts";
import { useHandChange } from "../hand/useHandChange.ts";
import { toldOr } from "../shared/toldOr.ts";
import type { useKeeping } from "../hand/useKeeping.ts";
import type { useUpdating } from "../hand/useUpdating.ts";
import type { useRecording } from "../hand/useRecording.ts";
import { notify } from "../shared/notices.ts";
import { useHistory, useMakeEdits, useShow } from "../show/useShow.ts";

type Asked<K extends LineRequest["kind"]> = Extract<LineRequest, { kind: K }>;

/** What records, updates and keeps for the line. */
interface LineDoers {
  recording: ReturnType<typeof useRecording>;
  updating: ReturnType<typeof useUpdating>;
  keeping: ReturnType<typeof useKeeping>;
}

/** Does what a line asks for; true when it was done. */
export function useLineRequest({ recording, updating, keeping }: LineDoers): (request: LineRequest) => Promise<boolean> {
  const { id, sheet } = useShow();
  const navigate = useNavigate();
  const makeEdits = useMakeEdits();
  const history = useHistory();
  const { change, give, time, lay, drop, outputOf } = useHandChange();

  const inHand = useCallback(
    ({ deed, channels }: Asked<"hand">): boolean => {
      if (channels) chooseLights(channels);
      switch (deed.do) {
        case "give":
          return give(deed.selection, deed.deed);
        case "time":
          return time(deed.selection, deed.wish);
        case "pace":
          return lay(deed.selection, deed.pace);
        case "takeUp":
          return change({ do: "takeUp" });
        case "drop":
          drop(heldKeys(sheet, useHand.getState().hand, deed.selection).map((key) => key.name));
          return true;
      }
    },
    [sheet, change, give, time, lay, drop],
  );

  const record = async ({ cue, wish }: Asked<"record">): Promise<boolean> => {
    if (cue === undefined) {
      useChoice.setState({ drawer: "record" });
      return true;
    }
    const number = cue === "next" ? recording.next : cue;
    if (number === undefined || !isCueNumber(number)) {
      notify(number === undefined ? "No number is free behind the cue on stage" : `${number} is not a cue number`, "trouble");
      return false;
    }
    const plan = toldOr(() => recording.plan({ ...wish, cue: number }));
    return plan !== undefined && recording.make(plan);
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
    return toldOr(() => updating.plan(options, placeOf)) !== undefined && updating.make(options, placeOf);
  };

  const keep = (asked: Asked<"keep">): Promise<boolean> => {
    if (asked.what === "palette") return keeping.keepPalette(asked);
    return keeping.keepPace(asked.label, chosenLights());
  };

  const edit = async ({ edits, cues, channels }: Asked<"edit">): Promise<boolean> => {
    if (!(await makeEdits(edits))) return false;
    useChoice.setState({ draft: null, ...(cues ? { cue: cues.from, cueEnd: cues.to } : {}) });
    if (channels) chooseLights(channels);
    return true;
  };

  return async (request) => {
    switch (request.kind) {
      case "history":
        return history(request.what);
      case "choose":
        if (request.channels) chooseLights(request.channels);
        if (request.cues) useChoice.setState({ cue: request.cues.from, cueEnd: request.cues.to });
        return true;
      case "choice":
        if (request.what === "lit") chooseLights(litLights(sheet, outputOf));
        else chooseBefore();
        return true;
      case "view":
        void navigate(`/show/${id}/${request.view}`);
        return true;
      case "hand":
        return inHand(request);
      case "record":
        return record(request);
      case "update":
        return update(request);
      case "keep":
        return keep(request);
      case "edit":
        return edit(request);
    }
  };
}
