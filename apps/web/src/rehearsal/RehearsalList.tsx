import { type RehearsalAlike, type RehearsalFinding, alikeFindings, groupBy, lightRuns, rehearsalFindingId, clockWords } from "@zm/core";
import { useMemo } from "react";
import { useNavigate } from "react-router";
import { chooseLights } from "../choice/selection.ts";
import { useGoToCue } from "../show/useGoToCue.ts";
import { VirtualList } from "../shared/VirtualList.tsx";
import { cueName } from "../shared/words.ts";
import { useShow } from "../show/useShow.ts";

interface RehearsalListProps {
  list: string;
  findings: readonly RehearsalFinding[];
  /** Those that were not found by the rehearsal that this one is held against. */
  fresh: ReadonlySet<string>;
  /** The finding whose picture is shown, by its identity. */
  shown: string | null;
  onShow: (finding: RehearsalFinding) => void;
}

/** Findings that are told as one: of several lights alike, and of several attributes of these lights at one moment. */
interface Told extends RehearsalAlike {
  readonly otherAttributes: readonly string[];
}

type Line = { readonly cue: string; readonly count: number } | { readonly alike: Told };

/** What a rehearsal found, cue by cue in the order of the list, with the moment of each. */
export function RehearsalList({ list, findings, fresh, shown, onShow }: RehearsalListProps) {
  const { sheet } = useShow();
  const cues = sheet.lists.get(list)?.cues;
  const lines = useMemo(() => linesOf(findings, cues?.map(({ number }) => number) ?? []), [findings, cues]);
  return (
    <VirtualList label="What was seen" lines={lines} heightOf={(line) => ("cue" in line ? 36 : 44)}>
      {(line) =>
        "cue" in line ? (
          <CueHeading list={list} {...line} />
        ) : (
          <FoundRow
            list={list}
            {...line.alike}
            fresh={line.alike.findings.some((each) => fresh.has(rehearsalFindingId(each)))}
            shown={rehearsalFindingId(line.alike.findings[0]) === shown}
            onShow={onShow}
          />
        )
      }
    </VirtualList>
  );
}

function linesOf(findings: readonly RehearsalFinding[], order: readonly string[]): Line[] {
  const byCue = groupBy(findings, ({ cue }) => cue);
  return order.flatMap((cue): Line[] => {
    const found = byCue.get(cue);
    return found ? [{ cue, count: found.length }, ...together(alikeFindings(found)).map((alike) => ({ alike }))] : [];
  });
}

/** What happens to several attributes of the same lights at one moment is told once. */
function together(all: readonly RehearsalAlike[]): Told[] {
  const groups = groupBy(all, ({ findings: [first], channels }) => `${first.code} ${first.at} ${first.seconds} ${channels.join(" ")}`);
  return [...groups.values()].flatMap((alike) => {
    const [first, ...others] = alike;
    return first ? [{ ...first, otherAttributes: others.map(({ findings: [other] }) => other.key.slice(other.key.indexOf(".") + 1)) }] : [];
  });
}

function CueHeading({ list, cue, count }: { list: string; cue: string; count: number }) {
  const { sheet } = useShow();
  const found = sheet.lists.get(list)?.cues.find(({ number }) => number === cue);
  return (
    <h2 className="flex items-center gap-3 border-b border-rule px-4 pt-2 pb-1 font-bold">
      <span className="min-w-0 truncate">Cue {found ? cueName(found) : `${cue}, which is gone`}</span>
      <span className="figures text-[13px] font-normal text-quiet">{count}</span>
    </h2>
  );
}

interface FoundRowProps extends Told {
  list: string;
  fresh: boolean;
  shown: boolean;
  onShow: (finding: RehearsalFinding) => void;
}

function FoundRow({ list, findings, channels, otherAttributes, fresh, shown, onShow }: FoundRowProps) {
  const { id } = useShow();
  const navigate = useNavigate();
  const goTo = useGoToCue();
  const [first] = findings;
  const choose = (): void => {
    chooseLights(channels);
    goTo(list, first.cue);
    onShow(first);
  };
  const inPlanner = first.code === "sweep-seen";
  return (
    <div className={`flex items-start gap-3 border-b border-rule/50 px-4 py-1.5 hover:bg-base-200 ${shown ? "bg-chosen" : ""}`}>
      <span className="figures w-12 shrink-0 text-right text-quiet" title="The moment in the show">
        {clockWords(first.at)}
      </span>
      <button
        type="button"
        className="min-w-0 flex-1 text-left"
        aria-pressed={shown}
        title={`Chooses its cue and its ${channels.length === 1 ? "light" : "lights"}, and shows the stage at that moment`}
        onClick={choose}
      >
        {first.message}.{otherAttributes.length > 0 && <span className="text-quiet"> Likewise {otherAttributes.join(", ")}.</span>}
        {channels.length > 1 && <span className="text-quiet"> {likewise(channels.slice(1))}</span>}
      </button>
      {fresh && <span className="shrink-0 text-[13px] text-secondary">new</span>}
      <button
        type="button"
        className="btn btn-ghost btn-xs shrink-0 font-normal"
        onClick={() => {
          choose();
          void navigate(`/show/${id}/${inPlanner ? "planner" : "score"}`);
        }}
      >
        {inPlanner ? "In the planner" : "Go there"}
      </button>
    </div>
  );
}

function likewise(others: readonly number[]): string {
  return others.length === 1 ? `So does light ${others[0]}.` : `So do lights ${lightRuns(others, "–")}.`;
}
