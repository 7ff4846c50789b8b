import { useQueryClient } from "@tanstack/react-query";
import type { Happening } from "@zm/core";
import { type PressRequest, runEvent } from "@zm/protocol";
import { useCallback } from "react";
import { useLastPress } from "../show/lastPress.ts";
import { api, requestName } from "../show/api.ts";
import { pressAnswered, pressHere, takeFired, unpressHere } from "../show/takeFired.ts";
import { tellPressRefused } from "../show/unsettled.ts";
import { useSheetNow, useShow } from "../show/useShow.ts";
import { PressQueue } from "./pressQueue.ts";

/** A press, and what it does here at once, before the server has answered: what is left out waits for the answer. */
export interface Pressed {
  readonly ask: PressRequest;
  readonly here?: (t: number) => Happening;
  /** What it does, in words, for whoever typed it. */
  readonly words?: string;
}

/** What each press is called where it is told that it was not answered. */
const DEEDS: Readonly<Record<PressRequest["press"], string>> = {
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
};

/** The presses of this window on their way to each show. */
const queues = new Map<number, PressQueue>();

function queueOf(show: number): PressQueue {
  const queue = queues.get(show) ?? new PressQueue((ask) => api.press(show, ask));
  queues.set(show, queue);
  return queue;
}

/** Presses something on what runs, in the order in which it was pressed. It is shown at once; a refusal is told, and what the server knows of is shown again. True when it was done. */
export function usePress(): (pressed: Pressed) => Promise<boolean> {
  const { id: show } = useShow();
  const client = useQueryClient();
  const sheetNow = useSheetNow();
  return useCallback(
    async ({ ask, here, words = "" }) => {
      const id = requestName();
      // What was said of something before does not stand beside it.
      useLastPress.setState({ words: "" });
      if (here) pressHere(id, sheetNow(), here);
      const result = await queueOf(show).add({ ...ask, id });
      if ("refusal" in result) {
        unpressHere(id);
        tellPressRefused(result.refusal, words === "" ? `${DEEDS[ask.press]}${ask.cue === undefined ? "" : ` ${ask.cue}`}` : words);
        return false;
      }
      if ("answer" in result) takeFired(client, runEvent.parse(result.answer));
      pressAnswered(id);
      if (words !== "") useLastPress.setState({ words });
      return true;
    },
    [show, client, sheetNow],
  );
}
