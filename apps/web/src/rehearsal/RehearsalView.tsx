import {
  type RehearsalCode,
  type RehearsalFinding,
  compareRehearsals,
  rehearsalFindingId,
  rehearsalKinds,
  rehearsalKindWords as kindWords,
  rehearsalWords,
  clockWords,
} from "@zm/core";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { CheckTabs } from "../check/CheckTabs.tsx";
import { historyQuery } from "../show/past/past.ts";
import { EmptyView } from "../shared/EmptyView.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useList, useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { MomentPicture } from "./MomentPicture.tsx";
import { RehearsalList } from "./RehearsalList.tsx";
import { type Rehearsed, beginRehearsal, stopRehearsal, useRehearsal } from "../show/rehearsal/rehearsal.ts";

const SPEEDS = [0.5, 1, 1.5, 2, 4];

/** The whole list run without waiting, against lights as fast as they are, and what an audience would see of it that is hardly meant. */
export function RehearsalView() {
  const { id, revision } = useShow();
  const list = useList();
  const { running, now, before } = useRehearsal();
  const [speed, setSpeed] = useState(1);
  const own = now?.show === id && now.list === list.id ? now : null;
  const busy = running?.show === id;
  const begin = (): void => beginRehearsal({ show: id, list: list.id, revision, speed, as: "now" });
  return (
    <div className="flex h-full">
      <SpineColumn />
      <div className="flex min-w-0 flex-1 flex-col">
        <div className="flex min-h-10 shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-rule px-4 py-1">
          <CheckTabs />
          <label className="flex items-center gap-2 text-quiet">
            Called
            <select className="select select-sm w-36" value={speed} onChange={(event) => setSpeed(Number(event.target.value))}>
              {SPEEDS.map((each) => (
                <option key={each} value={each}>
                  {each === 1 ? "as spoken" : `${each} × as fast`}
                </option>
              ))}
            </select>
          </label>
          {busy ? (
            <button type="button" className="btn btn-sm border-neutral font-normal" onClick={stopRehearsal}>
              Stop
            </button>
          ) : (
            <button type="button" className="btn btn-sm border-neutral font-normal" onClick={begin}>
              Rehearse {own ? "again" : list.list.label}
            </button>
          )}
          {own && <HeldAgainst own={own} />}
        </div>
        {busy && (
          <p role="status" className="border-b border-rule px-4 py-2 text-quiet">
            {running.as === "before" ? "Rehearsing the state that it is held against …" : "Running the whole list …"}
          </p>
        )}
        {own ? (
          <Results own={own} before={before?.show === id && before.list === list.id ? before : null} stale={own.revision !== revision} />
        ) : (
          !busy && (
            <EmptyView
              title="Not rehearsed yet"
              words={`${list.list.label} is run at the moments of its calls, without waiting, against lights that are as fast as their types say. What an audience would see of it and should not is listed here.`}
            />
          )
        )}
      </div>
    </div>
  );
}

interface ResultsProps {
  own: Rehearsed;
  before: Rehearsed | null;
  /** The show has been edited since. */
  stale: boolean;
}

function Results({ own, before, stale }: ResultsProps) {
  const { rehearsal } = own;
  const [hidden, setHidden] = useState<ReadonlySet<RehearsalCode>>(new Set());
  const [freshOnly, setFreshOnly] = useState(false);
  const [wanted, look] = useState<RehearsalFinding | null>(null);
  const looked = wanted && (rehearsal.findings.find((each) => rehearsalFindingId(each) === rehearsalFindingId(wanted)) ?? null);
  const change = useMemo(() => before && compareRehearsals(before.rehearsal, rehearsal), [before, rehearsal]);
  const fresh = useMemo(() => new Set((change?.appeared ?? []).map(rehearsalFindingId)), [change]);
  const onlyFresh = freshOnly && change !== null;
  const shown = useMemo(
    () => rehearsal.findings.filter((finding) => !hidden.has(finding.code) && (!onlyFresh || fresh.has(rehearsalFindingId(finding)))),
    [rehearsal, hidden, onlyFresh, fresh],
  );
  const flip = (code: RehearsalCode): void => {
    const next = new Set(hidden);
    if (!next.delete(code)) next.add(code);
    setHidden(next);
  };
  return (
    <>
      <div className="border-b border-rule px-4 py-2">
        <p role="status">
          {rehearsal.clean ? "Clean: nothing that an audience would see and should not." : `Found: ${rehearsalWords(rehearsal)}.`}
          {before && change && (
            <>
              {" "}
              <span className="text-secondary">
                {rehearsalWords(before.rehearsal)} before: {change.appeared.length} came, {change.gone.length} went.
              </span>
            </>
          )}
        </p>
        <p className="text-[13px] text-quiet">
          {clockWords(rehearsal.seconds)} of show{own.speed === 1 ? "" : `, called ${own.speed} × as fast`}.
          {rehearsal.assumed.length > 0 && ` ${assumedWords(rehearsal.assumed)}`}
          {stale && " The show has been edited since: rehearse it again."}
        </p>
      </div>
      {rehearsal.findings.length > 0 && (
        <div role="group" aria-label="What is shown" className="flex flex-wrap gap-1.5 border-b border-rule px-4 py-1.5">
          {rehearsalKinds(rehearsal.findings).map(([code, number]) => (
            <Toggle key={code} pressed={!hidden.has(code)} onClick={() => flip(code)}>
              {kindWords(code, number)}
            </Toggle>
          ))}
          {change && (
            <Toggle pressed={freshOnly} disabled={change.appeared.length === 0} onClick={() => setFreshOnly(!freshOnly)}>
              {change.appeared.length} new
            </Toggle>
          )}
        </div>
      )}
      <RehearsalList
        list={own.list}
        findings={shown}
        fresh={fresh}
        shown={looked ? rehearsalFindingId(looked) : null}
        onShow={(finding) => look(finding)}
      />
      {looked && (
        <section aria-label="The stage at that moment" className="h-[260px] shrink-0 border-t border-primary">
          <MomentPicture own={own} finding={looked} />
        </section>
      )}
    </>
  );
}

function assumedWords(cues: readonly string[]): string {
  const some = cues.slice(0, 5).join(", ");
  const more = cues.length > 5 ? ` and ${cues.length - 5} more` : "";
  return `Without a call, and taken 8 s after the cue before: ${some}${more}.`;
}

/** Which state the newest rehearsal is held against: the one before it, or one that has a name. */
function HeldAgainst({ own }: { own: Rehearsed }) {
  const { data } = useInfiniteQuery(historyQuery(own.show));
  const before = useRehearsal((state) => state.before);
  const versions = data?.pages[0]?.versions ?? [];
  if (versions.length === 0) return null;
  const chosen = versions.find(({ revision }) => revision === before?.revision)?.revision ?? "";
  return (
    <label className="flex items-center gap-2 text-quiet">
      Held against
      <select
        className="select select-sm w-52"
        value={chosen}
        onChange={({ target: { value } }) => {
          if (value !== "") beginRehearsal({ ...own, revision: Number(value), as: "before" });
        }}
      >
        <option value="">the rehearsal before</option>
        {versions.map(({ revision, name }) => (
          <option key={revision} value={revision}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
