import { type ListRun, nextRow } from "@zm/core";
import { ChevronsLeft, ChevronsRight, Pause, Play, SkipBack } from "lucide-react";
import { Link } from "react-router";
import { CallerSays } from "../show/run/CallerPart.tsx";
import { useShortcut } from "../shared/useShortcut.ts";
import { cueOnStage, useLive } from "../show/live.ts";
import { useMainList, useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { GoTo } from "./GoTo.tsx";
import { NextCue } from "./NextCue.tsx";
import { OnStage } from "./OnStage.tsx";
import { RunPicture } from "./RunPicture.tsx";
import { StageSwitch } from "./StageSwitch.tsx";
import { Masters } from "./Masters.tsx";
import { unusualOf } from "./unusual.ts";
import { useGo } from "../show/run/useGo.ts";
import { usePress } from "../show/run/usePress.ts";

/** Running the show: what is on, what is next, how long is left; Go, back, hold, and going to a cue. */
export function RunView() {
  const list = useMainList();
  const run = useLive((live) => live.run);
  const { go, back, hold, goTo, step, catchFollow } = useGo(list.id);
  useShortcut("goAnywhere", go);
  useShortcut("back", back);
  useShortcut("stepOn", () => step(1));
  useShortcut("stepBack", () => step(-1));
  useShortcut("hold", hold);
  useShortcut("catch", catchFollow);
  const own = run?.mix.lists.get(list.id);
  const cue = cueOnStage(run, list.id);
  const held = own?.clock.held ?? false;
  const next = own ? nextRow(own) : -1;

  return (
    <div className="flex h-full">
      <SpineColumn follow={cue} main />
      <div className="flex min-w-0 flex-1 flex-col">
        <RunPicture cue={cue} />
        <Masters list={list} run={own} />
        <section aria-label="Running" className="flex h-[232px] shrink-0 gap-6 border-t border-rule bg-base-100 px-5 py-3">
          <div className="flex min-w-0 flex-1 flex-col justify-between gap-2">
            <OnStage list={list} />
            <div className="flex items-start gap-3">
              <div className="min-w-0 flex-1">
                <CallerSays most={1} />
              </div>
              <SetBack run={own} />
              <StageSwitch />
              <OtherPages />
            </div>
            <NextCue list={list} onCatch={catchFollow} onFire={go} />
          </div>
          <div className="flex w-[300px] shrink-0 flex-col gap-2">
            <button type="button" className="btn btn-primary h-[64px] text-[26px]" onClick={go} disabled={!own || (next < 0 && !held)}>
              <Play size={26} className="fill-current" /> {held ? "Go on" : "Go"}
            </button>
            <div className="flex gap-2">
              <button
                type="button"
                className="btn btn-outline flex-1 border-neutral"
                onClick={back}
                disabled={cue === null}
                title="To the cue before, in one second (Ctrl Backspace)"
              >
                <SkipBack size={16} /> Back
              </button>
              <button
                type="button"
                className="btn btn-outline flex-1 border-neutral aria-pressed:border-error aria-pressed:text-error"
                aria-pressed={held}
                onClick={hold}
                disabled={!own}
                title="Stops fades and follows where they are (Ctrl .)"
              >
                <Pause size={16} /> {held ? "Held" : "Hold"}
              </button>
            </div>
            <div className="flex gap-2">
              <button
                type="button"
                className="btn btn-sm flex-1 border-neutral"
                onClick={() => step(-1)}
                disabled={cue === null}
                title="To the cue before at once, without its times (Ctrl ←)"
              >
                <ChevronsLeft size={15} /> Step
              </button>
              <button
                type="button"
                className="btn btn-sm flex-1 border-neutral"
                onClick={() => step(1)}
                disabled={next < 0}
                title="To the next cue at once, without its times (Ctrl →)"
              >
                Step <ChevronsRight size={15} />
              </button>
            </div>
            <GoTo goTo={goTo} />
          </div>
        </section>
      </div>
    </div>
  );
}

/** What makes the list run otherwise than its cues say, each with a way to set it back. */
function SetBack({ run }: { run: ListRun | undefined }) {
  const press = usePress();
  return (run ? unusualOf(run) : []).map(({ words, back, press: pressed }) => (
    <button
      key={words}
      type="button"
      className="btn btn-outline btn-xs shrink-0 border-error text-error"
      title={back}
      aria-label={`${words}: set back`}
      onClick={() => void press(pressed)}
    >
      {words} · set back
    </button>
  ));
}

/** What else there is of a run: the page for whoever looks on, and the log. */
function OtherPages() {
  const { id } = useShow();
  const link = "shrink-0 text-[13px] text-quiet underline";
  return (
    <>
      <Link
        className={link}
        to={`/watch/${id}`}
        target="_blank"
        title="The stage and where the show stands, for designer and stage manager, in a window of its own; nothing can be pressed there"
      >
        Look on
      </Link>
      <Link className={link} to={`/show/${id}/log`} title="What was fired, when and by whom">
        Run log
      </Link>
    </>
  );
}
