import { type ListSheet, findRow, freeNumberAfter } from "@zm/core";
import { putLine } from "../line/lineText.ts";

/** Everything that can be done to whole cues. Each puts its line into the line entry, where it can be changed, with its impact before it is made. */
export function CueTools({ list, cues, channels }: { list: ListSheet; cues: { from: string; to: string }; channels: readonly number[] }) {
  const one = cues.from === cues.to;
  const range = one ? `#${cues.from}` : `#${cues.from}..${cues.to}`;
  const free = freeNumberAfter(list, findRow(list, cues.to)) ?? cues.to;
  const cue = list.cues[findRow(list, cues.from)];
  const [first, second] = channels;
  const lines: (readonly [string, string])[] = [
    cue?.block ? ["Unblock", `unblock ${range}`] : ["Block", `block ${range}`],
    cue?.assert ? ["Assert no more", `unassert ${range}`] : ["Assert", `assert ${range}`],
    ["Renumber", `renumber ${range} from ${cues.from} by 1`],
    ...(one
      ? []
      : ([
          ["Set times", `${range}: up 3 down 5`],
          ["What fires them", `${range}: follows end 0`],
        ] as const)),
    ["Stretch times", `${range}: times * 1.2`],
    ...(one
      ? ([
          ["Copy", `copy #${cues.from} to #${free}`],
          ["Copy its look", `copy look of #${cues.from} to #${free}`],
          ["Move", `move #${cues.from} to #${free}`],
        ] as const)
      : []),
    ...(one && channels.length > 0
      ? ([
          ["Split off", `split ${channels.join(", ")} of #${cues.from} to #${free}`],
          ["To part 2", `#${cues.from}: ${channels.join(", ")} to part 2`],
        ] as const)
      : []),
    ...(first === undefined ? [] : ([["Recast", `recast ${first} as ${second ?? first} in ${range}`]] as const)),
    ...(first !== undefined && second !== undefined ? ([["Exchange", `exchange ${first} and ${second} in ${range}`]] as const) : []),
    ["Swap palettes", `swap ${list.palettes.ids[0] ?? "one"} for ${list.palettes.ids[1] ?? "other"} in ${range}`],
    ["Gather", `gather ${range} "New list"`],
    ["Delete", `delete ${range}`],
  ];
  return (
    <details className="border-t border-rule pt-2 first:border-t-0 first:pt-0">
      <summary className="cursor-default text-quiet hover:text-base-content">{one ? "More with this cue" : "More with these cues"}</summary>
      <div className="mt-2 flex flex-wrap gap-1">
        {lines.map(([word, line]) => (
          <button key={word} type="button" className="btn btn-xs border-neutral font-normal" title={line} onClick={() => putLine(line)}>
            {word}
          </button>
        ))}
      </div>
    </details>
  );
}
