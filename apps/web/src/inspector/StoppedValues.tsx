import { type ListSheet, count, stoppedBy } from "@zm/core";
import { useMemo } from "react";

/** How many values are listed. */
const MOST = 40;

/** What a wall keeps out: every value that would track in and is not what the cue shows. Nothing for a cue that lets all in. */
export function StoppedValues({ list, row }: { list: ListSheet; row: number }) {
  const cue = list.cues[row];
  const isWall = cue?.block === true || cue?.carries === "isolated";
  const stopped = useMemo(() => (isWall ? stoppedBy(list, row) : []), [isWall, list, row]);
  if (!cue || !isWall) return null;
  const word = cue.block ? "block" : "isolated cue";
  if (stopped.length === 0) return <p className="text-quiet">This {word} stops nothing that it does not show itself.</p>;
  return (
    <details>
      <summary className="cursor-default">
        This {word} stops {count(stopped.length, "value")}
      </summary>
      <table className="mt-1 w-full text-[13px]">
        <thead className="text-left text-quiet">
          <tr>
            <th className="font-normal">key</th>
            <th className="text-right font-normal">would track in</th>
            <th className="text-right font-normal">shows</th>
          </tr>
        </thead>
        <tbody className="figures">
          {stopped.slice(0, MOST).map(({ key, value, shown }) => (
            <tr key={key.name}>
              <td>{key.name}</td>
              <td className="text-right">{Math.round(value * 100) / 100}</td>
              <td className="text-right">{Number.isNaN(shown) ? "nothing" : Math.round(shown * 100) / 100}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {stopped.length > MOST && <p className="text-quiet">and {stopped.length - MOST} more</p>}
    </details>
  );
}
