import { type ListSheet, type MarkPlan, type MarkTime, type PlannedMark, isPlaced, tenths } from "@zm/core";
import { chooseCue, chooseLights } from "../choice/selection.ts";
import { seconds } from "../shared/words.ts";
import { AXIS, ROW } from "./grid.ts";
import { useLozenge } from "./useLozenge.ts";
import { usePlanning } from "./usePlan.ts";

interface LozengeProps {
  readonly list: ListSheet;
  readonly planned: PlannedMark;
  readonly proposal: MarkPlan | null;
  readonly timeFor: MarkTime;
  readonly x: number;
  readonly channel: number;
}

/** The outline of a lozenge in 16 by 16 pixels. */
const OUTLINE = "M8 1l6 7l-6 7l-6 -7z";

/** Where a light is prepared. Dragged, or moved with the arrow keys, along its dark window; one that is late is told in coral. */
export function Lozenge({ list, planned, proposal, timeFor, x, channel }: LozengeProps) {
  const { mark } = planned;
  const { row, isDragged, there, isBad, hand } = useLozenge(list, planned, timeFor);
  const cue = list.cues[mark.calledAt]?.number ?? "";
  const chosen = usePlanning(({ chosen: each }) => each?.channel === channel && each.cue === cue);
  const best = proposal?.proposals.find((each) => each.mark.channel === channel && each.mark.calledAt === mark.calledAt);
  const choose = (): void => {
    usePlanning.setState({ chosen: { channel, cue } });
    chooseCue(cue);
    chooseLights([channel]);
  };
  const placed = isPlaced(list, mark);
  const words = markWords(list, planned);
  const stroke = isBad ? "stroke-error" : "stroke-secondary";
  const fill = isBad ? "fill-error" : "fill-secondary";
  return (
    <>
      {best?.moves && best.best && best.best.row !== row && (
        <span aria-hidden className="pointer-events-none absolute" style={{ left: x + AXIS - 8, top: best.best.row * ROW + 6 }}>
          <svg width={16} height={16}>
            <path d={OUTLINE} className="fill-none stroke-secondary" strokeWidth={1.5} strokeDasharray="2 2" />
          </svg>
        </span>
      )}
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={`Light ${channel} for cue ${cue}: ${words}${planned.report === "mark-late" ? ", too little" : ""}${placed ? ", placed by its cue" : ""}`}
        title={`For cue ${cue}: ${words}. ${placed ? "Its cue places it: a plan leaves it there. " : ""}Drag it along the window, or press the arrow keys`}
        className="absolute grid h-7 w-7 cursor-ns-resize touch-none place-items-center"
        style={{ left: x + AXIS - 14, top: row * ROW }}
        onClick={choose}
        onFocus={choose}
        {...hand}
      >
        <svg width={16} height={16} aria-hidden>
          <path d={OUTLINE} className={`${stroke} ${chosen ? fill : "fill-sheet"}`} strokeWidth={1.5} />
          {placed && <path d="M3 15h10" className={stroke} strokeWidth={2} />}
        </svg>
      </button>
      {(mark.markAt !== null || isDragged) && (
        <span
          aria-hidden
          className={`figures pointer-events-none absolute text-[12px] leading-7 ${isBad ? "font-bold text-error" : "text-quiet"}`}
          style={{ left: x + AXIS + 9, top: row * ROW }}
        >
          {short(mark.needed)}/{there === null ? "?" : short(there)}
        </span>
      )}
    </>
  );
}

/** Where a light is prepared, what it needs and what it has. */
function markWords(list: ListSheet, { mark, available }: PlannedMark): string {
  const where = mark.markAt === null ? "moves in view" : `is prepared in ${list.cues[mark.markAt]?.number ?? ""}`;
  return `${where}, needs ${seconds(mark.needed)} s${available === null ? "" : `, has ${seconds(available)} s`}`;
}

/** Seconds in as few figures as say it. */
function short(value: number): string {
  return value >= 10 ? String(Math.round(value)) : tenths(value);
}
