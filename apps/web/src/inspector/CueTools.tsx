import { type Cue, type ListSheet, findRow, freeNumberAfter } from "@zm/core";
import { useSheetView } from "../choice/sheetView.ts";
import { openNumbers } from "../shared/dialogs.ts";
import { putLine } from "../choice/lineText.ts";
import { lightSpans } from "../shared/words.ts";
import { useShow } from "../show/useShow.ts";

/** The times that a cue has, as they are typed; where it has none, the beginning of such a line. */
function ownTimes(cue: Cue | undefined): string {
  const { up, down } = cue?.parts[0]?.times ?? {};
  const said = [...(up === undefined ? [] : [`up ${up}`]), ...(down === undefined ? [] : [`down ${down}`])];
  return said.length > 0 ? said.join(" ") : "up ";
}

/** Everything that can be done to whole cues, and to what the lens shows of the chosen lights. Each puts its line into the line entry, where it can be changed, with its impact before it is made. */
export function CueTools({ list, cues, channels }: { list: ListSheet; cues: { from: string; to: string }; channels: readonly number[] }) {
  const lens = useSheetView((choice) => choice.lens);
  const one = cues.from === cues.to;
  const range = one ? `#${cues.from}` : `#${cues.from}..${cues.to}`;
  const free = freeNumberAfter(list, findRow(list, cues.to)) ?? cues.to;
  const cue = list.cues[findRow(list, cues.from)];
  const [first, second] = channels;
  const next = list.cues[findRow(list, cues.to) + 1]?.number;
  const { sheet } = useShow();
  const other = [...sheet.lists.keys()].find((id) => id !== list.id);
  const newPart = Math.max(1, ...(cue?.parts ?? []).map(({ number }) => number)) + 1;
  const lights = `${lightSpans(channels)}${lens === "intensity" || lens === "times" ? "" : ` ${lens}`}`;
  const lines: (readonly [string, string])[] = [
    cue?.block ? ["Unblock", `unblock ${range}`] : ["Block", `block ${range}`],
    ...(channels.length > 0 && !cue?.block ? ([["Block these lights", `block ${range} for ${lightSpans(channels)}`]] as const) : []),
    ...(one ? ([["Wall off behind, insert", `insert #${free} block next`]] as const) : []),
    cue?.restate ? ["Restate no more", `unrestate ${range}`] : ["Restate", `restate ${range}`],
    ...(one
      ? []
      : ([
          ["Set times", `${range}: ${ownTimes(cue)}`],
          ["What fires them", `${range}: follows end 0`],
        ] as const)),
    ...(sheet.show.script ? ([["Scenes of the play", `${range}: scene from book`]] as const) : []),
    ...(one ? [] : ([["Note for all", `${range}: note "`]] as const)),
    ["Stretch times", `${range}: times * 1.2`],
    ["Last so long", `${range}: last 90`],
    ["Copy", `copy ${range} to #${free}`],
    [one ? "Copy its look" : "Copy their looks", `copy look of ${range} to #${free}`],
    ["Move", `move ${range} to #${free}`],
    ["Move, keep looks", `move ${range} to #${free} keep looks`],
    ...(other === undefined ? [] : ([["Copy to another list", `copy look of ${range} to list ${other}`]] as const)),
    ...(one && channels.length > 0
      ? ([
          ["Split off", `split ${lights} of #${cues.from} to #${free}`],
          ["To a new part", `#${cues.from}: ${lights} to part ${newPart}`],
        ] as const)
      : []),
    ...(first === undefined || next === undefined
      ? []
      : ([
          ["Copy these moves", `copy ${lights} of ${range} to #${next}`],
          ["Move these moves", `move ${lights} of ${range} to #${next}`],
        ] as const)),
    ...(first === undefined
      ? []
      : ([
          ["Recast what it shows", `recast look of ${recastWords(channels)} in ${range} only`],
          ["Recast stored moves", `recast ${recastWords(channels)} in ${range}`],
        ] as const)),
    ...(first !== undefined && second !== undefined ? ([["Exchange", `exchange ${first} and ${second} in ${range}`]] as const) : []),
    ["Swap palettes", `swap ${list.palettes.ids[0] ?? "one"} for ${list.palettes.ids[1] ?? "other"} in ${range}`],
    ["Gather", `gather ${range} "New list"`],
    ["Copy the list", `copy list as "Second ${list.list.label || list.id}"`],
    ["Delete", `delete ${range}`],
    ["Delete, drop its moves", `delete ${range} drop`],
  ];
  return (
    <details className="border-t border-rule pt-2 first:border-t-0 first:pt-0">
      <summary className="cursor-default text-quiet hover:text-base-content">{one ? "More with this cue" : "More with these cues"}</summary>
      <div className="mt-2 flex flex-wrap gap-1">
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          title="The table of the numbers, old and new (k)"
          onClick={() => openNumbers(cues.from, one ? (list.cues.at(-1)?.number ?? cues.to) : cues.to)}
        >
          {one ? "Renumber from here …" : "Renumber …"}
        </button>
        {lines.map(([word, line]) => (
          <button key={word} type="button" className="btn btn-xs border-neutral font-normal" title={line} onClick={() => putLine(line)}>
            {word}
          </button>
        ))}
      </div>
    </details>
  );
}

/** The first half of the chosen lights recast as the second; one light waits for the other to be typed. */
function recastWords(channels: readonly number[]): string {
  const half = Math.ceil(channels.length / 2);
  return `${lightSpans(channels.slice(0, half))} as ${lightSpans(channels.slice(half)) || String(channels[0] ?? "")}`;
}
