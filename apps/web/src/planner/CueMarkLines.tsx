import { type ListSheet, marksOf, tenths } from "@zm/core";
import { Link } from "react-router";
import { useShow } from "../show/useShow.ts";
import { usePlanning } from "./usePlan.ts";

/** What a cue prepares in the dark, and what was prepared for it. Nothing where it does neither. */
export function CueMarkLines({ list, row }: { list: ListSheet; row: number }) {
  const marks = marksOf(list);
  const prepares = marks.filter(({ markAt, needed }) => markAt === row && needed > 0);
  const prepared = marks.filter(({ calledAt, markAt, needed }) => calledAt === row && markAt !== null && needed > 0);
  if (prepares.length + prepared.length === 0) return null;
  return (
    <div className="border-t border-rule pt-2">
      <MarkLines
        title="Prepares"
        list={list}
        marks={prepares.map(({ channel, calledAt, needed }) => ({ channel, cue: calledAt, other: calledAt, needed }))}
        word="for"
      />
      <MarkLines
        title="Prepared for it"
        list={list}
        marks={prepared.map(({ channel, calledAt, markAt, needed }) => ({ channel, cue: calledAt, other: markAt ?? 0, needed }))}
        word="in"
      />
    </div>
  );
}

interface MarkLine {
  readonly channel: number;
  /** The row of the cue that calls the light, and that of the cue that is told beside it. */
  readonly cue: number;
  readonly other: number;
  readonly needed: number;
}

/** Lights that a cue prepares, or that were prepared for it; each leads to the planner. */
function MarkLines({ title, list, marks, word }: { title: string; list: ListSheet; marks: readonly MarkLine[]; word: string }) {
  const { id } = useShow();
  if (marks.length === 0) return null;
  return (
    <>
      <h3 className="mt-1 font-bold">{title}</h3>
      <ul aria-label={title}>
        {marks.slice(0, 6).map(({ channel, cue, other, needed }) => (
          <li key={`${channel}/${cue}`}>
            <Link
              to={`/show/${id}/planner`}
              className="flex min-h-7 items-center text-quiet hover:text-base-content"
              onClick={() => usePlanning.setState({ chosen: { channel, cue: list.cues[cue]?.number ?? "" } })}
            >
              {channel} {word} {list.cues[other]?.number} ({tenths(needed)} s)
            </Link>
          </li>
        ))}
        {marks.length > 6 && <li className="text-quiet">and {marks.length - 6} more</li>}
      </ul>
    </>
  );
}
