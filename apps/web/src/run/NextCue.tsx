import { type ListSheet, cueDuration, nextRow, runTime } from "@zm/core";
import { Link } from "react-router";
import { seconds, triggerWords, timeLeft } from "../shared/words.ts";
import { useLive } from "../show/live.ts";
import { useShow } from "../show/useShow.ts";
import { useRunTime } from "../show/run/useRunTime.ts";

interface NextCueProps {
  list: ListSheet;
  /** Lets what would fire by itself wait for a Go. */
  onCatch: () => void;
  /** Fires it now. */
  onFire: (event: React.MouseEvent) => void;
}

/** The next cue: what fires it, and how long until it fires by itself, with ways to catch it and to fire it now. */
export function NextCue({ list, onCatch, onFire }: NextCueProps) {
  const now = useRunTime();
  const run = useLive((live) => live.run?.mix.lists.get(list.id));
  const { id } = useShow();
  if (list.cues.length === 0)
    return (
      <p className="text-quiet">
        The list has no cue yet.{" "}
        <Link className="underline" to={`/show/${id}/stage`}>
          Build the first look on the Stage
        </Link>{" "}
        and record it.
      </p>
    );
  const row = run ? nextRow(run) : -1;
  const cue = list.cues[row];
  if (!run || !cue) return <p className="text-quiet">{run ? "Nothing is left in the list: this is the last cue" : ""}</p>;
  const wait = run.follow?.cue === cue.number ? Math.max(0, run.follow.at - runTime(run.clock, now)) : null;
  const caught = cue.trigger?.type === "follow" && wait === null && run.cue !== null;
  return (
    <div>
      <p className="flex justify-between text-quiet">
        <span>next{cue.trigger?.type === "follow" ? `, ${caught ? "waits for Go" : triggerWords(cue.trigger)}` : ", on Go"}</span>
        <span>{wait === null ? `lasts ${seconds(cueDuration(list, row))} s` : "fires by itself in"}</span>
      </p>
      <p className="flex items-center gap-3">
        <span className="figures shrink-0 text-[22px] font-bold text-secondary" data-testid="next-cue">
          {cue.number}
        </span>
        <span className="min-w-0 flex-1 truncate text-[18px]">{cue.label}</span>
        {wait !== null && (
          <>
            <button type="button" className="btn btn-sm border-neutral" title="It waits for a Go instead (Ctrl ;)" onClick={onCatch}>
              Catch
            </button>
            <button type="button" className="btn btn-sm border-neutral" onClick={onFire}>
              Fire now
            </button>
            <span className="figures shrink-0 text-[22px] text-secondary">{timeLeft(wait)}</span>
          </>
        )}
      </p>
    </div>
  );
}
