import { type EditInput, type Finding, type Severity, count, findingId, mendAll } from "@zm/core";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { considerEdits } from "../choice/draft.ts";
import { chooseLights } from "../choice/selection.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { EditableText } from "../shared/EditableText.tsx";
import { EmptyView } from "../shared/EmptyView.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { VirtualList } from "../shared/VirtualList.tsx";
import { cueName } from "../shared/words.ts";
import { useGoToCue } from "../show/useGoToCue.ts";
import { useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { useAccept } from "../show/accepted.ts";
import { CheckTabs } from "./CheckTabs.tsx";
import { SeverityMark } from "./SeverityMark.tsx";
import { type AcceptedNow, type FindingGroup, KIND_WORDS, groupedFindings, useFindings } from "../show/findings.ts";

const SEVERITIES = [
  ["error", "fault"],
  ["warning", "likely slip"],
  ["hint", "hint"],
] as const satisfies readonly (readonly [Severity, string])[];

/** What is wrong or hardly meant, cue by cue or kind by kind; what mends it is shown with its impact before it is made. */
export function CheckView() {
  const found = useFindings((state) => state.found);
  const [shown, setShown] = useState<ReadonlySet<Severity>>(new Set(["error", "warning"]));
  const [by, setBy] = useState<"cue" | "kind">("cue");
  const accepted = useFindings((state) => state.accepted);
  const [showsAccepted, setShowsAccepted] = useState(false);
  const groups = useMemo(() => groupedFindings(found ?? [], shown, by), [found, shown, by]);
  const flip = (severity: Severity): void => {
    const next = new Set(shown);
    if (!next.delete(severity)) next.add(severity);
    setShown(next);
  };
  const countWords = (severity: Severity, word: string): string =>
    found === null ? `… ${word}s` : count(found.filter((finding) => finding.severity === severity).length, word);
  return (
    <div className="flex h-full">
      <SpineColumn />
      <div className="flex min-w-0 flex-1 flex-col">
        <div className="flex min-h-10 shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-rule px-4 py-1 whitespace-nowrap">
          <CheckTabs />
          <div role="group" aria-label="What is shown" className="flex gap-1.5">
            {SEVERITIES.map(([severity, word]) => (
              <Toggle key={severity} pressed={shown.has(severity)} onClick={() => flip(severity)}>
                <SeverityMark severity={severity} /> {countWords(severity, word)}
              </Toggle>
            ))}
          </div>
          <div role="group" aria-label="Gathered" className="flex gap-1.5">
            <Toggle pressed={by === "cue"} onClick={() => setBy("cue")}>
              By cue
            </Toggle>
            <Toggle pressed={by === "kind"} onClick={() => setBy("kind")}>
              By kind
            </Toggle>
          </div>
          {accepted.length > 0 && (
            <Toggle
              pressed={showsAccepted}
              title="Findings that somebody has accepted with a note; each is shown again when its facts change"
              onClick={() => setShowsAccepted(!showsAccepted)}
            >
              {accepted.length} accepted
            </Toggle>
          )}
        </div>
        {showsAccepted && accepted.length > 0 ? (
          <AcceptedList accepted={accepted} />
        ) : found === null ? (
          <p role="status" className="p-6 text-quiet">
            Looking the show through …
          </p>
        ) : groups.length === 0 ? (
          <EmptyView title="Nothing to mend" words={emptyWords(found, shown)} />
        ) : (
          <FindingList groups={groups} by={by} />
        )}
      </div>
    </div>
  );
}

function emptyWords(found: readonly Finding[], shown: ReadonlySet<Severity>): string {
  const hidden = found.filter(({ severity }) => !shown.has(severity)).length;
  if (hidden === 0) return "Nothing in this show is wrong or hardly meant. It is looked through again behind every edit.";
  return `Nothing of what is shown. ${hidden} of another weight ${hidden === 1 ? "is" : "are"} folded away above.`;
}

/** A heading or a finding, as the list shows them one below the other. */
type Line = { readonly heading: FindingGroup } | { readonly finding: Finding };

function FindingList({ groups, by }: { groups: readonly FindingGroup[]; by: "cue" | "kind" }) {
  const lines = useMemo(
    () => groups.flatMap((group): Line[] => [{ heading: group }, ...group.findings.map((finding) => ({ finding }))]),
    [groups],
  );
  return (
    <VirtualList label="Findings" lines={lines} heightOf={(line) => ("heading" in line ? 36 : 44)}>
      {(line) => ("heading" in line ? <Heading group={line.heading} by={by} /> : <FindingRow finding={line.finding} by={by} />)}
    </VirtualList>
  );
}

function Heading({ group: { id, findings }, by }: { group: FindingGroup; by: "cue" | "kind" }) {
  const { sheet } = useShow();
  const [first] = findings;
  const mends = findings.filter(({ mend }) => mend).length;
  const words = by === "kind" ? (KIND_WORDS.get(id) ?? id) : placeWords();

  function placeWords(): string {
    if (!first?.list) return "The rig";
    const list = sheet.lists.get(first.list);
    const cue = list?.cues.find(({ number }) => number === first.cue);
    return `${cue ? `Cue ${cueName(cue)}` : (list?.list.label ?? "")}`;
  }

  return (
    <h2 className="flex items-center gap-3 border-b border-rule px-4 pt-2 pb-1 font-bold">
      <span className="min-w-0 truncate">{words}</span>
      <span className="figures text-[13px] font-normal text-quiet">{findings.length}</span>
      <span className="flex-1" />
      {mends > 1 && (
        <button type="button" className="btn btn-xs border-neutral font-normal" onClick={() => consider(mendAll(findings))}>
          Mend all {mends}: show me
        </button>
      )}
    </h2>
  );
}

function FindingRow({ finding, by }: { finding: Finding; by: "cue" | "kind" }) {
  const { id } = useShow();
  const navigate = useNavigate();
  const goTo = useGoToCue();
  const accept = useAccept();
  const [accepting, setAccepting] = useState(false);
  const { severity, cue, channel, message, mend } = finding;
  const choose = (): void => {
    if (channel !== null) chooseLights([channel]);
    if (cue !== null && finding.list !== null) goTo(finding.list, cue);
  };
  return (
    <div className="flex flex-wrap items-start gap-x-3 border-b border-rule/50 px-4 py-1.5 hover:bg-base-200">
      <SeverityMark severity={severity} />
      {by === "kind" && <span className="figures w-12 shrink-0 text-right">{cue}</span>}
      <button type="button" className="min-w-64 flex-1 text-left" title="Chooses its cue and its light" onClick={choose}>
        {message}
      </button>
      <div className="ml-auto flex shrink-0 items-center gap-3">
        <button
          type="button"
          className="btn btn-ghost btn-xs shrink-0 font-normal"
          onClick={() => {
            choose();
            void navigate(`/show/${id}/${cue === null ? "rig/lights" : "score"}`);
          }}
        >
          Go there
        </button>
        {accepting ? (
          <span className="w-56 shrink-0">
            <EditableText
              label="Why this is accepted"
              value=""
              check={(text) => (text === "" ? "Say why in a few words; Esc leaves it as it is" : undefined)}
              onDone={(note) => {
                setAccepting(false);
                if (note !== undefined) void accept([finding], note);
              }}
            />
          </span>
        ) : (
          <button
            type="button"
            className="btn btn-ghost btn-xs shrink-0 font-normal"
            title="It is meant: folded away with a note, until its facts change"
            onClick={() => setAccepting(true)}
          >
            Accept …
          </button>
        )}
        {mend && (
          <button type="button" className="btn btn-xs shrink-0 border-neutral font-normal" onClick={() => consider(mend)}>
            Mend: show me
          </button>
        )}
      </div>
    </div>
  );
}

/** What was accepted, each with why, and the way back. */
function AcceptedList({ accepted }: { accepted: readonly AcceptedNow[] }) {
  const accept = useAccept();
  return (
    <ul className="min-h-0 flex-1 overflow-y-auto" aria-label="Accepted findings">
      {accepted.map(({ finding, note }) => (
        <li key={findingId(finding)} className="flex items-start gap-3 border-b border-rule/50 px-4 py-1.5">
          <SeverityMark severity={finding.severity} />
          <span className="min-w-0 flex-1">
            {finding.message} <span className="text-secondary">Accepted: {note}</span>
          </span>
          <ActionButton className="btn btn-ghost btn-xs shrink-0 font-normal" onAct={() => accept([finding], null)}>
            Show it again
          </ActionButton>
        </li>
      ))}
    </ul>
  );
}

/** Puts edits that mend something under consideration: their impact stands at the right, with what makes or drops them. */
function consider(edits: readonly EditInput[]): void {
  considerEdits("check", edits);
}
