import {
  type ListSheet,
  type Mark,
  type MarkReason,
  POLICY_WORDS,
  markAtRow,
  markReason,
  markTimes,
  marksByChannel,
  planMark,
  tenths,
} from "@zm/core";
import { useMemo } from "react";
import { Link } from "react-router";
import { Fact } from "../shared/Fact.tsx";
import { cueName } from "../shared/words.ts";
import { useMeasured } from "../show/runLog.ts";
import { useShow } from "../show/useShow.ts";
import { KNOWN_WORDS } from "./knownWords.ts";
import { LightTimes } from "./LightTimes.tsx";
import { travelWords } from "./MarkColumn.tsx";
import { usePlanning } from "./usePlan.ts";

/** Of a chosen cell: what the light is prepared for there, or was prepared for it; why just there, and whether there is time. Nothing where no mark has to do with it. */
export function MarkStory({ list, row, channel }: { list: ListSheet; row: number; channel: number }) {
  const { id, sheet } = useShow();
  const measured = useMeasured(list);
  const { script } = sheet.show;
  // Walking from cell to cell asks for one mark after the other.
  const timeFor = useMemo(() => markTimes(list, script, measured), [list, script, measured]);
  const mark = markAtRow(marksByChannel(list).get(channel) ?? [], row);
  if (!mark?.window) return null;
  const { available, known, report } = planMark(mark, timeFor);
  return (
    <section aria-label="Prepared in the dark" className="border-t border-rule pt-3">
      <h2 className="font-bold">Prepared in the dark</h2>
      <p>{placeWords(list, mark, row)}</p>
      <p className="text-[13px] text-quiet">{travelWords(list, mark)}</p>
      <dl className="mt-1">
        <Fact name="dark in" value={`${list.cues[mark.window.first]?.number ?? ""} to ${list.cues[mark.window.last]?.number ?? ""}`} />
        {mark.markAt !== null && <Fact name="needs" value={`${tenths(mark.needed)} s`} />}
        {mark.markAt !== null && (
          <Fact
            name="has"
            value={available === null ? "nobody knows" : `${tenths(available)} s, by ${known === null ? "" : KNOWN_WORDS[known]}`}
            bad={report === "mark-late"}
          />
        )}
        <Fact name="why there" value={reasonWords(markReason(list, mark))} />
      </dl>
      {mark.markAt !== null && <LightTimes list={list} row={mark.calledAt} channel={channel} />}
      {report === "mark-lit" && <p className="text-error">It is lit in cue {mark.strayCue}, which is named for it: it moves in view.</p>}
      <Link
        className="mt-1 inline-flex min-h-7 items-center text-[13px] text-quiet underline hover:text-base-content"
        to={`/show/${id}/planner`}
        onClick={() => usePlanning.setState({ chosen: { channel, cue: list.cues[mark.calledAt]?.number ?? "" } })}
      >
        In the planner
      </Link>
    </section>
  );
}

/** What happens to the light in the chosen cue. */
function placeWords(list: ListSheet, { markAt, calledAt }: Mark, row: number): string {
  const call = cueName(list.cues[calledAt]);
  if (markAt === null) return `Moves in view as it comes up in ${call}.`;
  const place = cueName(list.cues[markAt]);
  if (row === calledAt) return `Was prepared in ${place}.`;
  if (row === markAt) return `Moves here, in the dark, for ${call}.`;
  return row < markAt ? `Is dark; it moves in ${place}, for ${call}.` : `Waits where it belongs in ${call}.`;
}

const SAID_WORDS = { light: "said of this light", cue: "said of its cue", list: "said of the list" } as const;

function reasonWords({ said, by }: MarkReason): string {
  return `${"at" in by ? `in ${by.at}` : POLICY_WORDS[by.policy]}, ${SAID_WORDS[said]}`;
}
