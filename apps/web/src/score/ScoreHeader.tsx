import { withMembers } from "../shared/toggled.ts";
import { ChevronDown, ChevronRight } from "lucide-react";
import { memo, useMemo } from "react";
import { chooseAllAttributes, chooseLights, chooseSpan, useSelection } from "../choice/selection.ts";
import { showOpenLights, toggleGroup, useSheetView } from "../choice/sheetView.ts";
import type { ScoreColumn, ScoreLayout } from "./columns.ts";

/** The groups and the lights over their columns. There are hundreds, so they are made anew only when they change. */
export const ScoreHeader = memo(function ScoreHeader({ layout }: { layout: ScoreLayout }) {
  const channels = useSelection((choice) => choice.channels);
  const chosen = useMemo(() => new Set(channels), [channels]);
  const opened = openedLights(layout);
  return (
    <div role="columnheader" aria-label="Lights" className="relative" style={{ width: layout.width }}>
      {layout.lanes.length > 0 && (
        <span
          className="absolute top-1 text-[13px] leading-6 text-primary"
          style={{ left: layout.lanes[0]?.x }}
          title={`Over which cues other lists run: ${layout.lanes.map(({ label }) => label).join(", ")}`}
        >
          lists
        </span>
      )}
      {layout.headings.map((heading) => (
        <button
          key={heading.id}
          type="button"
          className="absolute top-1 flex h-6 items-center gap-0.5 overflow-hidden text-left text-[13px] whitespace-nowrap text-primary hover:underline"
          style={{ left: heading.x - 4, width: heading.width }}
          aria-expanded={!heading.folded}
          title={heading.folded ? `Unfold ${heading.label}, ${heading.count} lights` : `Fold ${heading.label}`}
          onClick={() => toggleGroup(heading.id)}
        >
          {heading.folded ? <ChevronRight size={13} /> : <ChevronDown size={13} />}
          {heading.label}
        </button>
      ))}
      {opened.map(({ channel, x, width }) => (
        <span
          key={channel}
          aria-hidden
          className="pointer-events-none absolute bottom-[25px] border-b border-primary"
          style={{ left: x, width: width - 6 }}
        />
      ))}
      {layout.columns.map((column) => (
        <button
          key={column.id}
          type="button"
          tabIndex={-1}
          className={`absolute bottom-0.5 h-6 overflow-hidden text-left text-[13px] ${column.attribute === undefined ? "figures" : ""} ${column.channels.some((each) => chosen.has(each)) ? "font-bold text-secondary" : "text-quiet"}`}
          style={{ left: column.x + 3, width: column.width - 4 }}
          aria-label={nameOf(column)}
          title={column.folded ? undefined : "Double click opens the light into its attributes, or closes it (o)"}
          onClick={() => chooseColumn(column)}
          onDoubleClick={() => openLights(column.channels)}
        >
          {column.label}
        </button>
      ))}
    </div>
  );
});

function nameOf({ folded, label, channel, attribute }: ScoreColumn): string {
  if (folded) return `Choose ${label}`;
  return attribute === undefined ? `Choose light ${channel}` : `Choose ${attribute} of light ${channel}`;
}

/** Chooses what a column stands for. */
export function chooseColumn({ channel, channels, attribute }: ScoreColumn): void {
  chooseLights(channels);
  chooseSpan({
    channels,
    channel,
    channelEnd: channel,
    attribute: attribute ?? null,
    attributeEnd: attribute ?? null,
    attributes: attribute === undefined ? null : { of: channels, names: [attribute] },
  });
}

/** Opens lights into their attributes; closes them where all of them are open. */
export function openLights(channels: readonly number[]): void {
  const open = useSheetView.getState().openLights;
  showOpenLights(withMembers(open, channels, !channels.every((channel) => open.has(channel))));
  chooseAllAttributes();
}

/** Where the opened lights stand. */
function openedLights({ columns }: ScoreLayout): { channel: number; x: number; width: number }[] {
  const found = new Map<number, { channel: number; x: number; width: number }>();
  for (const { attribute, channel, x, width } of columns) {
    if (attribute === undefined) continue;
    const own = found.get(channel);
    if (own) own.width = x + width - own.x;
    else found.set(channel, { channel, x, width });
  }
  return [...found.values()];
}
