import { useQueryClient } from "@tanstack/react-query";
import type { Press } from "@zm/core";
import { runEvent } from "@zm/protocol";
import { useCallback } from "react";
import { useLastPress } from "../lastPress.ts";
import { api, requestName } from "../api.ts";
import { pressAnswered, pressHere, receiveFired, unpressHere } from "../receiveFired.ts";
import { tellPressRefused } from "../unsettled.ts";
import { useSheetNow, useShow } from "../useShow.ts";
import { PressQueue } from "./pressQueue.ts";

/** What each press is called where it is told that it was not answered. */
const DEEDS: Readonly<Record<Press["press"], string>> = {
  go: "Go",
  back: "Back from",
  hold: "Hold",
  goto: "Go to",
  release: "Release",
  master: "Master",
  fader: "Fader",
  catch: "Catch",
  rate: "Rate",
  look: "Held look",
  bump: "Bump",
  tempo: "Tempo",
  standby: "Standby set",
  fire: "Fire the set",
  grand: "Grand master",
  blackout: "Blackout",
  allOff: "All off",
  solo: "Solo",
  identify: "Finding lights",
  park: "Parking",
};

/** The presses of this window on their way to each show. */
const queues = new Map<number, PressQueue>();

function queueOf(show: number): PressQueue {
  const queue = queues.get(show) ?? new PressQueue((press) => api.press(show, press));
  queues.set(show, queue);
  return queue;
}

/**
 * Presses something on what runs, in the order in which it was pressed. It is shown at once; a refusal is told, and what the server knows of is shown again.
 * `words` say what it does, for whoever typed it. True when it was done.
 */
export function usePress(): (press: Press, words?: string) => Promise<boolean> {
  const { id: show } = useShow();
  const client = useQueryClient();
  const sheetNow = useSheetNow();
  return useCallback(
    async (press, words = "") => {
      const id = requestName();
      // What was said of something before does not stand beside it.
      useLastPress.setState({ words: "" });
      pressHere(id, sheetNow(), press);
      const result = await queueOf(show).add({ ...press, id });
      if ("refusal" in result) {
        unpressHere(id);
        tellPressRefused(result.refusal, words === "" ? deedOf(press) : words);
        return false;
      }
      if ("answer" in result) receiveFired(client, runEvent.parse(result.answer));
      pressAnswered(id);
      if (words !== "") useLastPress.setState({ words });
      return true;
    },
    [show, client, sheetNow],
  );
}

function deedOf(press: Press): string {
  const cue = "cue" in press ? press.cue : undefined;
  return `${DEEDS[press.press]}${cue === undefined ? "" : ` ${cue}`}`;
}
