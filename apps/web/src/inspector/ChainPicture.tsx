import type { ChainLink, ListSheet } from "@zm/core";
import { chooseCue } from "../choice/choice.ts";
import { seconds } from "../shared/words.ts";

/** The chain that runs by itself around a cue: when each cue starts, counted from the one Go. */
export function ChainPicture({ list, chain, row }: { list: ListSheet; chain: readonly ChainLink[]; row: number }) {
  return (
    <div>
      <p className="text-[13px] text-quiet">Runs by itself from one Go</p>
      <ol aria-label="Chain">
        {chain.map((link) => (
          <li key={link.row}>
            <button
              type="button"
              className={`flex w-full gap-2 text-left hover:underline ${link.row === row ? "text-secondary" : ""}`}
              onClick={() => chooseCue(list.cues[link.row]?.number ?? "")}
            >
              <span className="figures w-11 shrink-0 text-right">{list.cues[link.row]?.number}</span>
              <span className="figures">at {seconds(link.start)}</span>
              <span className="figures text-quiet">to {seconds(link.start + link.duration)} s</span>
            </button>
          </li>
        ))}
      </ol>
    </div>
  );
}
