import { type ListRun, type ListSheet, partEnds, preparing, runTime, standingCue } from "@zm/core";
import { lightWords, timeLeft } from "../shared/words.ts";
import { useLive } from "../show/live.ts";
import { useRunTime } from "../show/run/useRunTime.ts";

/** More parts than this are told as one line, so that what is next keeps its place. */
const MOST_LINES = 3;

/** A fade as a line: what it is, how far it has come, how long is left. */
interface Line {
  readonly name: string;
  readonly left: number;
  readonly lasts: number;
  readonly prepares: boolean;
}

/** The cue on stage: how far each of its parts and each preparation has come, and how long is left. */
export function OnStage({ list }: { list: ListSheet }) {
  const now = useRunTime();
  const run = useLive((live) => live.run);
  const own = run?.mix.lists.get(list.id);
  if (!own || own.cue === null)
    return (
      <div>
        <p className="text-quiet">on stage</p>
        <p className="text-[24px] font-bold">Nothing has been fired</p>
      </div>
    );
  const { cue: stands, gone } = standingCue(own, list);
  const row = list.cues.findIndex(({ number }) => number === stands);
  const cue = list.cues[row];
  const elapsed = (runTime(own.clock, now) - own.firedAt) * own.rate;
  const left = Math.max(0, own.firedAt + own.duration - runTime(own.clock, now));
  const lines = [
    ...partLines(list, row, elapsed, own),
    ...(run ? preparing(run.mix, list.id, now) : []).map(({ calledAt, channels, left: its, lasts }): Line => ({
      name: `${lightWords(channels)} for ${calledAt}`,
      left: its,
      lasts,
      prepares: true,
    })),
  ];
  return (
    <div>
      <p className="flex justify-between text-quiet">
        <span>on stage{own.clock.held ? ", held" : ""}</span>
        <span>{left > 0 ? "left" : "complete"}</span>
      </p>
      <p className="flex items-baseline gap-3">
        <span className="figures shrink-0 text-[30px] leading-9 font-bold text-primary" data-testid="on-stage">
          {stands ?? "–"}
        </span>
        <span className="min-w-0 flex-1 truncate text-[24px] font-bold">{gone ? "the cue behind it is deleted" : cue?.label}</span>
        <span className="figures shrink-0 text-[30px] leading-9">{timeLeft(left)}</span>
      </p>
      {lines.slice(0, MOST_LINES).map((line) => (
        <Progress key={line.name} line={line} />
      ))}
      {lines.length > MOST_LINES && <p className="text-quiet">and {lines.length - MOST_LINES} more</p>}
    </div>
  );
}

/** A line for each part that times something; the whole cue where it has no other. */
function partLines(list: ListSheet, row: number, elapsed: number, { duration, rate }: ListRun): Line[] {
  const cue = list.cues[row];
  const ends = row < 0 ? new Map<number, number>() : partEnds(list, row);
  if (!cue || cue.parts.length < 2 || ends.size < 2)
    return [{ name: "all of it", left: duration - elapsed / rate, lasts: duration, prepares: false }];
  return cue.parts.flatMap(({ number, label }): Line[] => {
    const end = ends.get(number);
    return end === undefined
      ? []
      : [{ name: `part ${number}${label ? ` ${label}` : ""}`, left: (end - elapsed) / rate, lasts: end / rate, prepares: false }];
  });
}

function Progress({ line: { name, left, lasts, prepares } }: { line: Line }) {
  const done = lasts > 0 ? Math.min(1, Math.max(0, 1 - left / lasts)) : 1;
  return (
    <p className="flex h-[22px] items-center gap-3">
      <span className="w-40 shrink-0 truncate text-quiet" title={name}>
        {name}
      </span>
      <span role="progressbar" aria-label={name} aria-valuenow={Math.round(done * 100)} className="block h-1.5 flex-1 bg-base-300">
        <span className={`block h-full ${prepares ? "bg-secondary" : "bg-primary"}`} style={{ width: `${done * 100}%` }} />
      </span>
      <span className="figures w-14 shrink-0 text-right text-quiet">{left > 0 ? timeLeft(left) : "done"}</span>
    </p>
  );
}
