import { useRef, useState } from "react";
import { FIRST_LINES, type PreviewLine } from "./preview.ts";
import { lookAt } from "../choice/sheetView.ts";
import { placeRef } from "../shared/focusPlaces.ts";

interface ImpactListProps {
  label: string;
  /** The lines that are shown, of `count` in all. */
  lines: readonly PreviewLine[];
  count: number;
  all: boolean;
  /** Asks for all lines, or for the first again. */
  onAll: (all: boolean) => void;
  className?: string;
}

/** Whether all lines of an impact are wanted, and how many that are. */
export function useAllLines(): { all: boolean; onAll: (all: boolean) => void; mostLines: number } {
  const [all, onAll] = useState(false);
  return { all, onAll, mostLines: all ? Number.MAX_SAFE_INTEGER : FIRST_LINES };
}

/** An impact cue by cue; each line brings its cue in sight, the arrow keys walk them, and it opens to its full length. */
export function ImpactList({ label, lines, count, all, onAll, className = "" }: ImpactListProps) {
  /** The buttons of the lines, in their order. */
  const buttons = useRef<(HTMLButtonElement | null)[]>([]);
  const walk = (event: React.KeyboardEvent<HTMLUListElement>): void => {
    const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const at = buttons.current.findIndex((button) => button === document.activeElement);
    buttons.current[Math.min(lines.length - 1, Math.max(0, at + by))]?.focus();
  };
  return (
    <div className={className}>
      <ul aria-label={label} className="space-y-px" onKeyDown={walk}>
        {lines.map((line, index) => (
          <li key={`${line.list}/${line.cue}`}>
            <button
              type="button"
              ref={(button) => {
                buttons.current[index] = button;
                return index === 0 ? placeRef("impact")(button) : undefined;
              }}
              title="Brings the cue in sight"
              className="flex min-h-7 w-full items-start gap-2 rounded px-1 py-1 text-left leading-5 hover:bg-base-300"
              onClick={() => lookAt(line.list, line.after ?? line.cue)}
              onFocus={() => lookAt(line.list, line.after ?? line.cue)}
            >
              <span className="figures w-11 shrink-0 text-right">{line.cue}</span>
              <span className={`min-w-0 flex-1 ${line.quiet ? "text-quiet" : ""}`}>
                {line.listLabel !== undefined && <span className="text-quiet">{line.listLabel}: </span>}
                {line.words}
              </span>
              {line.colours && <Swatches colours={line.colours} />}
            </button>
          </li>
        ))}
      </ul>
      {count > FIRST_LINES && (
        <button type="button" className="btn btn-ghost btn-xs mt-0.5 ml-12 font-normal text-secondary" onClick={() => onAll(!all)}>
          {all ? "Show fewer" : `All ${count}: ${count - FIRST_LINES} more`}
        </button>
      )}
    </div>
  );
}

/** The colour of a light before and after. */
function Swatches({ colours }: { colours: readonly [string, string] }) {
  return (
    <span aria-hidden className="mt-1 flex shrink-0 gap-0.5">
      {colours.map((colour, index) => (
        <span key={index} className="size-3 rounded-xs border border-neutral" style={{ background: colour }} />
      ))}
    </span>
  );
}
