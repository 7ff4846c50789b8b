import { useCallback } from "react";
import { tellTrouble } from "../../shared/notices.ts";
import { api } from "../api.ts";
import { receiveCaller } from "../caller.ts";
import { useShow } from "../useShow.ts";

/** Has the play called, from a cue or from the one behind that on stage, and sends the caller away. True when that was done. */
export function useCall(): { call: (speed: number, from?: string) => Promise<boolean>; leave: () => Promise<boolean> } {
  const { id } = useShow();
  const done = useCallback(async (work: () => ReturnType<typeof api.caller>): Promise<boolean> => {
    try {
      receiveCaller(await work());
      return true;
    } catch (error) {
      tellTrouble(error);
      return false;
    }
  }, []);
  return {
    call: useCallback((speed, from) => done(() => api.startCaller(id, { speed, ...(from === undefined ? {} : { from }) })), [done, id]),
    leave: useCallback(() => done(() => api.stopCaller(id)), [done, id]),
  };
}
