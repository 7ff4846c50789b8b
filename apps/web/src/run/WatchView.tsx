import { useSuspenseQuery } from "@tanstack/react-query";
import { listOf, nextRow, runTime, standingCue } from "@zm/core";
import { Link, useParams } from "react-router";
import { Troubles } from "../show/Troubles.tsx";
import { triggerWords, timeLeft } from "../shared/words.ts";
import { cueOnStage, useLive, useLiveShow } from "../show/live.ts";
import { type OpenShow, showQuery } from "../show/openShow.ts";
import { ShowContext } from "../show/useShow.ts";
import { useTellHere } from "../people/useTellHere.ts";
import { NotesPage } from "../notes/NotesPage.tsx";
import { RunPicture } from "./RunPicture.tsx";
import { grandWords } from "../show/run/grandWords.ts";
import { unusualOf } from "./unusual.ts";
import { useRunTime } from "../show/run/useRunTime.ts";

/** A page that only looks on: the stage and where the show stands, for the designer's tablet; in large letters for the stage manager; with notes that are left. Nothing here fires or changes a cue. */
export function WatchView() {
  const { showId, how } = useParams();
  const { data: show } = useSuspenseQuery(showQuery(Number(showId)));
  return (
    <ShowContext.Provider value={show}>
      <Watching key={show.id} show={show} how={how === "large" || how === "notes" ? how : "stage"} />
    </ShowContext.Provider>
  );
}

const WAYS = [
  ["stage", "With the stage", ""],
  ["large", "In large letters", "/large"],
  ["notes", "Notes", "/notes"],
] as const;

function Watching({ show, how }: { show: OpenShow; how: (typeof WAYS)[number][0] }) {
  const large = how === "large";
  useLiveShow(show.id);
  useTellHere(show.id);
  const connected = useLive((live) => live.connected);
  const cue = useLive((live) => cueOnStage(live.run, listOf(show.sheet).id));
  return (
    <main className="flex h-full flex-col">
      <header className="flex h-11 shrink-0 items-center gap-4 border-b border-rule px-4">
        <h1 className="min-w-0 flex-1 truncate font-bold">{show.sheet.show.title}</h1>
        <span role="status" className={connected ? "text-quiet" : "text-error"}>
          {connected ? "looks on" : "No line to the server; it comes back by itself"}
        </span>
        {WAYS.filter(([way]) => way !== how).map(([way, words, path]) => (
          <Link key={way} className="flex min-h-11 items-center underline" to={`/watch/${show.id}${path}`}>
            {words}
          </Link>
        ))}
      </header>
      <Troubles />
      {how === "notes" ? (
        <NotesPage />
      ) : (
        <>
          {!large && <RunPicture cue={cue} />}
          <Standing show={show} large={large} />
        </>
      )}
    </main>
  );
}

/** Where the show stands and what comes next, readable across a room. */
function Standing({ show, large }: { show: OpenShow; large: boolean }) {
  const now = useRunTime();
  const list = listOf(show.sheet);
  const run = useLive((live) => live.run?.mix.lists.get(list.id));
  const over = useLive((live) => grandWords(live.run?.mix.grand));
  const size = large ? "text-[88px] leading-[96px]" : "text-[34px] leading-10";
  const words = large ? "text-[40px] leading-[48px]" : "text-[22px] leading-8";
  const stands = run ? standingCue(run, list).cue : null;
  const cue = list.cues.find(({ number }) => number === stands);
  const next = run ? list.cues[nextRow(run)] : list.cues[0];
  const time = run ? runTime(run.clock, now) : 0;
  const left = run ? Math.max(0, run.firedAt + run.duration - time) : 0;
  const wait = run?.follow && run.follow.cue === next?.number ? Math.max(0, run.follow.at - time) : null;
  return (
    <section
      aria-label="Where the show stands"
      className={`grid shrink-0 grid-cols-2 gap-8 border-t border-rule px-8 py-5 ${large ? "flex-1 content-center" : ""}`}
    >
      <div className="min-w-0">
        <p className="text-quiet">
          on stage{run?.clock.held ? ", held" : ""}
          {over !== "" && <span className="text-error">, {over}</span>}
          {(run ? unusualOf(run) : []).map(({ words: unusual }) => (
            <span key={unusual} className="text-error">
              , {unusual}
            </span>
          ))}
        </p>
        <p className={`figures font-bold text-primary ${size}`} data-testid="on-stage">
          {stands ?? "–"}
        </p>
        <p className={`truncate font-bold ${words}`}>{cue?.label ?? (stands === null ? "Nothing has been fired" : "")}</p>
        <p className={`figures ${words}`}>{left > 0 ? timeLeft(left) : stands === null ? "" : "complete"}</p>
      </div>
      <div className="min-w-0">
        <p className="text-quiet">next{next?.trigger?.type === "follow" ? `, ${triggerWords(next.trigger)}` : next ? ", on Go" : ""}</p>
        <p className={`figures font-bold text-secondary ${size}`} data-testid="next-cue">
          {next?.number ?? "–"}
        </p>
        <p className={`truncate ${words}`}>{next?.label ?? "This is the last cue"}</p>
        {wait !== null && <p className={`figures text-secondary ${words}`}>fires by itself in {timeLeft(wait)}</p>}
      </div>
    </section>
  );
}
