import { type Cue, type ListSheet, findRow, freeNumberAfter } from "@zm/core";
import { useSheetView } from "../choice/sheetView.ts";
import { type PickStart, openAsk, openNumbers, openPick } from "../shared/dialogs.ts";
import { putLine } from "../choice/lineText.ts";
import { lightSpans } from "../shared/words.ts";
import { useStandby, useStandbySet } from "../show/run/useStandby.ts";
import { useShow } from "../show/useShow.ts";

/** The times that a cue has, as they are typed; where it has none, the beginning of such a line. */
function ownTimes(cue: Cue | undefined): string {
  const { up, down } = cue?.parts[0]?.times ?? {};
  const said = [...(up === undefined ? [] : [`up ${up}`]), ...(down === undefined ? [] : [`down ${down}`])];
  return said.length > 0 ? said.join(" ") : "up ";
}

/** The pickers for one cue or for several, with their words. */
function picksFor(one: boolean): (readonly [PickStart["kind"], string])[] {
  return [
    ["recast", "Who does it instead"],
    ["swap", "Palettes for others"],
    ["copy", "Copy"],
    ["move", "Move"],
    ...(one ? ([["split", "Split off"]] as const) : []),
    ["cells", "Moves to other cues"],
  ];
}

/** Everything that can be done to whole cues, and to what the lens shows of the chosen lights. Each puts its line into the line entry, where it can be changed, with its impact before it is made. */
export function CueTools({ list, cues, channels }: { list: ListSheet; cues: { from: string; to: string }; channels: readonly number[] }) {
  const lens = useSheetView((choice) => choice.lens);
  const one = cues.from === cues.to;
  const range = one ? `#${cues.from}` : `#${cues.from}..${cues.to}`;
  const free = freeNumberAfter(list, findRow(list, cues.to)) ?? cues.to;
  const cue = list.cues[findRow(list, cues.from)];
  const { sheet } = useShow();
  const { toggle } = useStandby();
  const waits = useStandbySet().some((each) => each.list === list.id && each.cue === cue?.number);
  const newPart = Math.max(1, ...(cue?.parts ?? []).map(({ number }) => number)) + 1;
  const lights = `${lightSpans(channels)}${lens === "intensity" || lens === "times" ? "" : ` ${lens}`}`;
  const picks = picksFor(one);
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
    ...(one && channels.length > 0 ? ([["To a new part", `#${cues.from}: ${lights} to part ${newPart}`]] as const) : []),
    ["Gather", `gather ${range} "New list"`],
    ["Copy the list", `copy list as "Second ${list.list.label || list.id}"`],
    ["Switch off", `switch off ${range}`],
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
        {one && cue && (
          <button
            type="button"
            className="btn btn-xs border-neutral font-normal"
            title="It goes together with what is chosen on other lists (s); nothing moves before"
            onClick={() => toggle(list.id, cue.number)}
          >
            {waits ? "Out of the standby set" : "Into the standby set"}
          </button>
        )}
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          title="Which cues show a value, hold a time, or use a light or a palette (h)"
          onClick={() => openAsk(channels.length > 0 ? { about: "moves", channels } : "new")}
        >
          Which cues …
        </button>
        {picks.map(([kind, word]) => (
          <button
            key={kind}
            type="button"
            className="btn btn-xs border-neutral font-normal"
            title="A form with its impact as it is filled, and the sentence that it would be"
            onClick={() => openPick({ kind, cues, channels })}
          >
            {word} …
          </button>
        ))}
        {lines.map(([word, line]) => (
          <button key={word} type="button" className="btn btn-xs border-neutral font-normal" title={line} onClick={() => putLine(line)}>
            {word}
          </button>
        ))}
      </div>
    </details>
  );
}
