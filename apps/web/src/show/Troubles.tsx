import { create } from "zustand";
import { useLive } from "./liveStore.ts";

/** What somebody has put away in this window, with the words that it had: it comes again with others. */
const useAway = create<{ away: readonly string[] }>(() => ({ away: [] }));

/** What is wrong with the server, in every window for as long as it is: an output that is off, a disk that is full, a file that was damaged. */
export function Troubles() {
  const troubles = useLive((live) => live.troubles);
  const { away } = useAway();
  const shown = troubles.filter(({ id, words }) => !away.includes(`${id} ${words}`));
  if (shown.length === 0) return null;
  return (
    <ul role="alert" aria-label="Trouble" className="flex max-h-24 shrink-0 flex-col overflow-y-auto border-b border-error bg-base-300">
      {shown.map(({ id, words }) => (
        <li key={id} className="flex items-center gap-3 px-4 py-1">
          <span className="min-w-0 flex-1 break-words text-error">{words}</span>
          <button
            type="button"
            className="btn btn-xs shrink-0 border-neutral"
            onClick={() => useAway.setState({ away: [...away, `${id} ${words}`].slice(-50) })}
          >
            Put away
          </button>
        </li>
      ))}
    </ul>
  );
}
