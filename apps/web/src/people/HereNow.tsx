import { nameOfOther } from "@zm/protocol";
import { Toggle } from "../shared/Toggle.tsx";
import { LOOKS_ON, follow, useOthers } from "../show/presence.ts";
import { useDialogs } from "../shared/dialogs.ts";
import { placeWords } from "./placeWords.ts";

/** The other windows that have the show open, where each of them is, and following one. */
export function HereNow() {
  const { others, followed } = useOthers();
  const see = (window: string): void => {
    useDialogs.setState({ people: false });
    follow(window);
  };
  return (
    <section aria-label="Here now" className="flex flex-col gap-1">
      <h3 className="text-[13px] font-bold text-quiet">Here now</h3>
      {others.length === 0 && <p className="text-quiet">This window alone.</p>}
      <ul>
        {others.map((here) => (
          <li key={here.window} className="flex h-10 items-center gap-3 border-t border-rule">
            <span className="min-w-0 flex-1 truncate font-bold">{nameOfOther(here.name)}</span>
            <span className="text-[13px] text-quiet">{placeWords(here)}</span>
            {here.view !== LOOKS_ON && (
              <Toggle pressed={here.window === followed} onClick={() => see(here.window)}>
                See what they see
              </Toggle>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
