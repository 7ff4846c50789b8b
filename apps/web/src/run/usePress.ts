import { useQueryClient } from "@tanstack/react-query";
import type { Happening } from "@zm/core";
import type { PressRequest } from "@zm/protocol";
import { useCallback } from "react";
import { tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { pressHere, takeFired, unpressHere } from "../show/takeFired.ts";
import { useSheetNow, useShow } from "../show/useShow.ts";

/** A press, and what it does here at once, before the server has answered: what is left out waits for the answer. */
export interface Pressed {
  readonly ask: PressRequest;
  readonly here?: (t: number) => Happening;
}

/** Presses something on what runs. It is shown at once; a refusal is told, and what the server knows of is shown again. */
export function usePress(): (pressed: Pressed) => Promise<void> {
  const { id } = useShow();
  const client = useQueryClient();
  const sheetNow = useSheetNow();
  return useCallback(
    async ({ ask, here }) => {
      if (here) pressHere(sheetNow(), here);
      try {
        takeFired(client, await api.press(id, ask));
      } catch (error) {
        unpressHere();
        tellTrouble(error);
      }
    },
    [id, client, sheetNow],
  );
}
