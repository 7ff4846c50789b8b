import { type ListSheet, alikeFindings, clockWords } from "@zm/core";
import { useMemo } from "react";
import { Link } from "react-router";
import { chooseLights } from "../choice/selection.ts";
import { useShow } from "../show/useShow.ts";
import { findingsOf, useRehearsal } from "../show/rehearsal/rehearsal.ts";

/** What the newest rehearsal found in a cue, at its moment; nothing where it found nothing there, or where there was none. */
export function RehearsedIn({ list, row }: { list: ListSheet; row: number }) {
  const { id } = useShow();
  const now = useRehearsal((rehearsals) => rehearsals.now);
  const cue = list.cues[row]?.number ?? "";
  const found = useMemo(() => alikeFindings(findingsOf(now, id, list.id).filter((each) => each.cue === cue)), [now, id, list.id, cue]);
  if (found.length === 0) return null;
  return (
    <div className="border-t border-rule pt-2">
      <h3 className="font-bold">In the rehearsal</h3>
      <ul aria-label="Seen in the rehearsal">
        {found.map(({ findings: [finding], channels }) => (
          <li key={`${finding.code}/${finding.key}`}>
            <button
              type="button"
              className="flex min-h-7 w-full gap-2 text-left text-[13px] text-error hover:underline"
              title="Chooses the lights"
              onClick={() => chooseLights(channels)}
            >
              <span className="figures shrink-0">{clockWords(finding.at)}</span>
              <span>{finding.message}</span>
            </button>
          </li>
        ))}
      </ul>
      <Link className="text-[13px] text-quiet underline" to={`/show/${id}/check/rehearsal`}>
        The whole rehearsal
      </Link>
    </div>
  );
}
