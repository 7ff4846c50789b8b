import { type ImpactLine, type ImpactReport, keyNamed, type ListSheet } from "@zm/core";
import { useState } from "react";
import { colourOf } from "../score/cells.ts";
import { lookAt } from "./choice.ts";

const SHOWN = 9;

interface ImpactListProps {
  label: string;
  report: ImpactReport;
  /** The lists on both sides, for the colours that change. */
  before?: ListSheet | undefined;
  after?: ListSheet | undefined;
  /** The keys that change in each cue, for the colours. */
  colours?: ReadonlyMap<string, number> | undefined;
  className?: string;
}

/** An impact cue by cue; each line brings its cue in sight, the arrow keys walk them, and it opens to its full length. */
export function ImpactList({ label, report, before, after, colours, className = "" }: ImpactListProps) {
  const [open, setOpen] = useState(false);
  const { lines } = report;
  const shown = open ? lines : lines.slice(0, SHOWN);
  const walk = (event: React.KeyboardEvent<HTMLUListElement>): void => {
    const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const buttons = [...event.currentTarget.querySelectorAll<HTMLElement>("[data-line]")];
    const at = buttons.findIndex((button) => button === document.activeElement);
    buttons[Math.min(buttons.length - 1, Math.max(0, at + by))]?.focus();
  };
  return (
    <div className={className}>
      <ul aria-label={label} className="space-y-px" onKeyDown={walk}>
        {shown.map((line) => (
          <li key={`${line.list}/${line.cue}`}>
            <button
              type="button"
              data-line
              title="Brings the cue in sight"
              className="flex min-h-7 w-full items-start gap-2 rounded px-1 py-1 text-left leading-5 hover:bg-base-300"
              onClick={() => lookAt(line.list, line.after ?? line.cue)}
              onFocus={() => lookAt(line.list, line.after ?? line.cue)}
            >
              <span className="figures w-11 shrink-0 text-right">{line.cue}</span>
              <span className={`min-w-0 flex-1 ${line.quiet ? "text-quiet" : ""}`}>
                {line.listLabel !== undefined && <span className="text-quiet">{line.listLabel}: </span>}
                {line.words()}
              </span>
              <Swatches line={line} before={before} after={after} light={colours?.get(line.after ?? line.cue)} />
            </button>
          </li>
        ))}
      </ul>
      {lines.length > SHOWN && (
        <button type="button" className="btn btn-ghost btn-xs mt-0.5 ml-12 font-normal text-secondary" onClick={() => setOpen(!open)}>
          {open ? "Show fewer" : `All ${lines.length}: ${lines.length - SHOWN} more`}
        </button>
      )}
    </div>
  );
}

/** The colour of a light before and after, where that changes. */
function Swatches({
  line,
  before,
  after,
  light,
}: {
  line: ImpactLine;
  before: ListSheet | undefined;
  after: ListSheet | undefined;
  light: number | undefined;
}) {
  if (light === undefined || !before || !after || line.list !== after.id) return null;
  const rowBefore = before.cues.findIndex((cue) => cue.number === line.cue);
  const rowAfter = after.cues.findIndex((cue) => cue.number === (line.after ?? line.cue));
  if (rowBefore < 0 || rowAfter < 0) return null;
  return (
    <span aria-hidden className="mt-1 flex shrink-0 gap-0.5">
      {[colourOf(before, light, rowBefore), colourOf(after, light, rowAfter)].map((colour, index) => (
        <span key={index} className="size-3 rounded-xs border border-neutral" style={{ background: colour }} />
      ))}
    </span>
  );
}

/** By cue, a light whose colour changes there. */
export function colourChanges(looks: readonly { cue: string; key: string; list?: string }[], list: ListSheet): Map<string, number> {
  const found = new Map<string, number>();
  for (const { cue, key: name, list: other } of looks) {
    if (other !== undefined && other !== list.id) continue;
    const key = found.has(cue) ? undefined : keyNamed(list.keys, name);
    if (key?.attribute.family === "colour") found.set(cue, key.channel);
  }
  return found;
}
