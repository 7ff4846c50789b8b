import { useEffect } from "react";
import { workerOf } from "../preview/usePreview.ts";
import { tellTrouble } from "../shared/notices.ts";
import { useShow } from "../show/useShow.ts";
import { leaveFindings, receiveFindings } from "../show/findings.ts";

/** Checks wait until nothing has been edited for so long, and look again whether the worker has the show so often; milliseconds. */
const CALM = 300;
const AGAIN = 1000;

/** Looks the whole show through behind every edit, beside the window. Once in the window, in its frame. */
export function useWorkChecks(): void {
  const { id, revision } = useShow();
  useEffect(() => leaveFindings, [id]);
  useEffect(() => {
    let waiting: ReturnType<typeof setTimeout>;
    let over = false;
    const look = async (): Promise<void> => {
      const found = await workerOf(id)?.check(revision);
      if (over) return;
      if (found) receiveFindings(id, revision, found);
      else waiting = setTimeout(begin, AGAIN);
    };
    const begin = (): void => void look().catch(tellTrouble);
    waiting = setTimeout(begin, CALM);
    return () => {
      over = true;
      clearTimeout(waiting);
    };
  }, [id, revision]);
}
