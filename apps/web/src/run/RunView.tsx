import { type ListSheet, type Playback, cueDuration, nextRow, previousRow, standingCue } from "@zm/core";
import { useQueryClient } from "@tanstack/react-query";
import { ChevronsLeft, ChevronsRight, Pause, Play, SkipBack } from "lucide-react";
import { Link } from "react-router";
import { useCallback, useEffect, useRef, useState } from "react";
import { useChoice } from "../choice/choice.ts";
import { tellTrouble } from "../shared/notices.ts";
import { useShortcut } from "../shared/useShortcut.ts";
import { NO_TIME, readSeconds } from "../shared/readSeconds.ts";
import { clockTime, seconds, triggerWords } from "../shared/words.ts";
import type { PressRequest, RunState } from "@zm/protocol";
import { api } from "../show/api.ts";
import { takeFired } from "../show/takeFired.ts";
import { listNow, useLive } from "../show/live.ts";
import { useMainList, useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { StagePicture } from "../stage/StagePicture.tsx";
import { liveOutputs } from "../show/outputs.ts";

/** Running the show: what is on, what is next, how long is left; Go, back, hold, and going to a cue. */
export function RunView() {
  const list = useMainList();
  const { id, sheet } = useShow();
  const client = useQueryClient();
  const run = useLive((live) => live.run);
  const press = useCallback(
    async (what: PressRequest): Promise<void> => {
      try {
        takeFired(client, await api.press(id, what));
      } catch (error) {
        tellTrouble(error);
      }
    },
    [id, client],
  );
  const next = run ? nextRow(run.playback, list) : -1;
  const go = useCallback(() => {
    const cue = next < 0 ? undefined : list.cues[next]?.number;
    void press({ press: "go", ...(cue === undefined || run?.clock.held ? {} : { cue }) });
  }, [press, next, list, run?.clock.held]);
  useShortcut("goAnywhere", go);
  useShortcut("back", () => void press({ press: "back" }));
  const step = useCallback(
    (by: 1 | -1) => {
      const row = by === 1 ? next : run ? previousRow(run.playback, list) : -1;
      const target = list.cues[row]?.number;
      if (target !== undefined) void press({ press: "goto", cue: target, time: 0 });
    },
    [press, next, run, list],
  );
  useShortcut("stepOn", () => step(1));
  useShortcut("stepBack", () => step(-1));
  useShortcut("hold", () => void press({ press: "hold" }));
  const outputs = useCallback(() => liveOutputs(sheet), [sheet]);
  const cue = run?.playback.cue ?? null;

  return (
    <div className="flex h-full">
      <SpineColumn follow={cue} main />
      <div className="flex min-w-0 flex-1 flex-col">
        <div className="min-h-0 flex-1">
          <StagePicture
            outputs={outputs}
            labels={false}
            description={cue === null ? "The stage; nothing has been fired" : `The stage in cue ${cue}`}
          />
        </div>
        <section aria-label="Running" className="flex h-[232px] shrink-0 gap-6 border-t border-rule bg-base-100 px-5 py-4">
          <div className="flex min-w-0 flex-1 flex-col gap-3">
            <OnStage list={list} run={run} />
            <NextCue list={list} row={next} playback={run?.playback} />
          </div>
          <div className="flex w-[300px] shrink-0 flex-col gap-2">
            <button
              type="button"
              className="btn btn-primary h-[64px] text-[26px]"
              onClick={go}
              disabled={!run || (next < 0 && !run.clock.held)}
            >
              <Play size={26} className="fill-current" /> {run?.clock.held ? "Go on" : "Go"}
            </button>
            <div className="flex gap-2">
              <button
                type="button"
                className="btn btn-outline flex-1 border-neutral"
                onClick={() => void press({ press: "back" })}
                disabled={!run || cue === null}
                title="To the cue before, in one second (Ctrl Backspace)"
              >
                <SkipBack size={16} /> Back
              </button>
              <button
                type="button"
                className="btn btn-outline flex-1 border-neutral aria-pressed:border-error aria-pressed:text-error"
                aria-pressed={run?.clock.held ?? false}
                onClick={() => void press({ press: "hold" })}
                disabled={!run}
                title="Stops fades and follows where they are (Ctrl .)"
              >
                <Pause size={16} /> {run?.clock.held ? "Held" : "Hold"}
              </button>
            </div>
            <div className="flex gap-2">
              <button
                type="button"
                className="btn btn-sm flex-1 border-neutral"
                onClick={() => step(-1)}
                disabled={!run || cue === null}
                title="To the cue before at once, without its times (Ctrl ←)"
              >
                <ChevronsLeft size={15} /> Step
              </button>
              <button
                type="button"
                className="btn btn-sm flex-1 border-neutral"
                onClick={() => step(1)}
                disabled={!run || next < 0}
                title="To the next cue at once, without its times (Ctrl →)"
              >
                Step <ChevronsRight size={15} />
              </button>
            </div>
            <GoTo press={press} />
          </div>
        </section>
      </div>
    </div>
  );
}

function GoTo({ press }: { press: (press: PressRequest) => Promise<void> }) {
  const chosen = useChoice((choice) => choice.cueEnd);
  const [typed, setTyped] = useState<string | null>(null);
  const [time, setTime] = useState("");
  const [wrong, setWrong] = useState(false);
  const cue = typed ?? chosen ?? "";
  const goTo = (atOnce: boolean): void => {
    const own = atOnce ? 0 : readSeconds(time);
    setWrong(own === undefined);
    if (cue === "" || own === undefined) return;
    void press({ press: "goto", cue, ...(own === null ? {} : { time: own }) });
    setTyped(null);
  };
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        goTo(false);
      }}
    >
      <input
        aria-label="Go to cue"
        placeholder="cue"
        className="input input-sm figures w-14 bg-base-200 px-1.5"
        value={cue}
        onChange={(event) => setTyped(event.target.value)}
      />
      <input
        aria-label="In seconds"
        placeholder="its time"
        aria-invalid={wrong}
        title={wrong ? `This ${NO_TIME}` : undefined}
        className="input input-sm figures w-[88px] bg-base-200 px-1.5 aria-invalid:border-error aria-invalid:text-error"
        value={time}
        onChange={(event) => {
          setTime(event.target.value);
          setWrong(false);
        }}
      />
      <button type="submit" className="btn btn-sm border-neutral px-2.5">
        Go to
      </button>
      <button type="button" className="btn btn-sm border-neutral px-2.5" onClick={() => goTo(true)}>
        At once
      </button>
    </form>
  );
}

/** The cue on stage, with how far each of its fades has come and how long is left. */
function OnStage({ list, run }: { list: ListSheet; run: RunState | null }) {
  const time = useListTime();
  if (!run || run.playback.cue === null) {
    return (
      <div>
        <p className="text-quiet">on stage</p>
        <p className="text-[24px] font-bold">Nothing has been fired</p>
      </div>
    );
  }
  const { playback, clock } = run;
  const { cue: stands, gone } = standingCue(playback, list);
  const cue = list.cues.find((each) => each.number === stands);
  const elapsed = time - playback.firedAt;
  const left = Math.max(0, playback.duration - elapsed);
  const done = playback.duration > 0 ? Math.min(1, elapsed / playback.duration) : 1;
  return (
    <div>
      <p className="flex justify-between text-quiet">
        <span>on stage{clock.held ? ", held" : ""}</span>
        <span>{left > 0 ? "left" : "complete"}</span>
      </p>
      <p className="flex items-baseline gap-3">
        <span className="figures shrink-0 text-[30px] leading-9 font-bold text-primary" data-testid="on-stage">
          {stands ?? "–"}
        </span>
        <span className="min-w-0 flex-1 truncate text-[24px] font-bold">{gone ? "the cue behind it is deleted" : cue?.label}</span>
        <span className="figures shrink-0 text-[30px] leading-9">{clockTime(left)}</span>
      </p>
      <div
        role="progressbar"
        aria-label="How far the cue has come"
        aria-valuenow={Math.round(done * 100)}
        className="mt-1 h-1.5 bg-base-300"
      >
        <div className="h-full bg-primary" style={{ width: `${done * 100}%` }} />
      </div>
    </div>
  );
}

function NextCue({ list, row, playback }: { list: ListSheet; row: number; playback: Playback | undefined }) {
  const time = useListTime();
  const cue = list.cues[row];
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
  if (!cue) return <p className="text-quiet">{playback ? "Nothing is left in the list: this is the last cue" : ""}</p>;
  const follow = playback?.follow;
  const wait = follow?.cue === cue.number ? Math.max(0, follow.at - time) : null;
  return (
    <div>
      <p className="flex justify-between text-quiet">
        <span>next{cue.trigger?.type === "follow" ? `, ${triggerWords(cue.trigger)}` : ", on Go"}</span>
        <span>{wait === null ? `lasts ${seconds(cueDuration(list, row))} s` : "fires by itself in"}</span>
      </p>
      <p className="flex items-baseline gap-3">
        <span className="figures shrink-0 text-[22px] font-bold text-secondary" data-testid="next-cue">
          {cue.number}
        </span>
        <span className="min-w-0 flex-1 truncate text-[18px]">{cue.label}</span>
        {wait !== null && <span className="figures shrink-0 text-[22px] text-secondary">{clockTime(wait)}</span>}
      </p>
    </div>
  );
}

/** The running list's own time, refreshed a few times a second while something goes on. */
function useListTime(): number {
  const [time, setTime] = useState(0);
  const run = useLive((live) => live.run);
  const latest = useRef(run);
  latest.current = run;
  useEffect(() => {
    const tick = (): void => {
      if (latest.current) setTime(listNow(latest.current.clock, useLive.getState().clockOffset));
    };
    tick();
    const ticking = setInterval(tick, 100);
    return () => clearInterval(ticking);
  }, [run]);
  return time;
}
