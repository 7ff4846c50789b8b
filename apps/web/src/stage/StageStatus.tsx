import { type ListRun, type ListSheet, nextRow, standingCue } from "@zm/core";
import { grandWords } from "../show/run/grandWords.ts";
import { useLive } from "../show/live.ts";
import { useMainList } from "../show/useShow.ts";

/** The badge at the end of the top bar: live or blind, the cue on stage, and whether server and database are there. */
export function StageStatus({ live }: { live: boolean }) {
  const main = useMainList();
  const run = useLive((state) => state.run);
  const connected = useLive((state) => state.connected);
  const databaseAway = useLive((state) => state.databaseAway);
  const trouble = !connected || databaseAway;
  const over = grandWords(run?.mix.grand);
  const words = !connected
    ? "No line to the server"
    : databaseAway
      ? "Database away: it runs, edits wait"
      : `${over === "" ? "" : `${over}. `}${whereWords(main, run?.mix.lists.get(main.id), live)}`;
  return (
    <span
      role="status"
      title={words}
      className={`badge ml-1 h-7 max-w-64 min-w-0 shrink gap-1.5 px-3 text-[13px] max-[1200px]:px-1.5 whitespace-nowrap ${trouble || over !== "" ? "badge-error" : live ? "border-error bg-transparent text-error" : "border-primary bg-transparent text-base-content"}`}
    >
      <span className="truncate">{words}</span>
    </span>
  );
}

function whereWords(list: ListSheet, run: ListRun | undefined, live: boolean): string {
  if (list.cues.length === 0) return `${live ? "Live" : "Blind"}, no cue yet`;
  return live ? `Live, ${stageWords(list, run)}` : `Blind, on stage ${stageWords(list, run)}`;
}

/** Where the list stands: a cue that is there, the place of one that is gone, the end, or nothing. */
export function stageWords(list: ListSheet, run: ListRun | undefined): string {
  if (list.cues.length === 0) return "no cue";
  if (!run || run.cue === null) return "nothing";
  const { cue, gone } = standingCue(run, list);
  if (gone) return cue === null ? "before the first cue" : `behind cue ${cue}`;
  return nextRow(run) < 0 ? `cue ${cue}, the last` : `cue ${cue}`;
}
