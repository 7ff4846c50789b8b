import { findRow } from "@zm/core";
import { useState } from "react";
import { useSelection } from "../choice/selection.ts";
import { notify } from "../shared/notices.ts";
import { NO_TIME, readSeconds } from "../shared/readSeconds.ts";
import { useMainList } from "../show/useShow.ts";

/**
 * Going to a cue: in its own times, in a time that is said, or at once. What is typed is the cue; while nothing is, the buttons go to the cue that is chosen
 * in the spine, which stands faint in the empty field. Enter goes only to what was typed.
 */
export function GoTo({ goTo }: { goTo: (cue: string, time?: number) => void }) {
  const list = useMainList();
  const [typed, setTyped] = useState("");
  const [time, setTime] = useState("");
  const [wrong, setWrong] = useState(false);
  const chosen = useSelection(({ cueEnd }) => cueEnd);
  const shown = chosen !== null && findRow(list, chosen) >= 0 ? chosen : "";
  const entered = typed.trim();
  // Said while it is typed: nothing moves for a cue that there is not.
  const missing = entered !== "" && findRow(list, entered) < 0;
  const go = (cue: string, atOnce: boolean): void => {
    const own = atOnce ? 0 : readSeconds(time);
    setWrong(own === undefined);
    if (missing) notify(`There is no cue ${cue} in this list; nothing moves`, "trouble");
    if (cue === "") notify("Which cue? Type its number, or choose it in the spine; nothing moves", "trouble");
    if (cue === "" || missing || own === undefined) return;
    goTo(cue, own ?? undefined);
    setTyped("");
  };
  const whither = missing ? undefined : entered || shown ? `To cue ${entered || shown}` : "Type a cue, or choose it in the spine";
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        go(entered, false);
      }}
    >
      <input
        aria-label="Go to cue"
        placeholder={shown || "cue"}
        className="input input-sm figures w-16 bg-base-200 px-1.5 aria-invalid:border-error aria-invalid:text-error"
        aria-invalid={missing}
        title={missing ? `There is no cue ${entered} in this list` : undefined}
        value={typed}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
      />
      <input
        aria-label="In seconds"
        placeholder="its time"
        aria-invalid={wrong}
        title={wrong ? `This ${NO_TIME}` : undefined}
        className="input input-sm figures w-[84px] bg-base-200 px-1.5 aria-invalid:border-error aria-invalid:text-error"
        value={time}
        onChange={(event) => {
          setTime(event.target.value);
          setWrong(false);
        }}
      />
      <button type="button" className="btn btn-sm border-neutral px-2.5" title={whither} onClick={() => go(entered || shown, false)}>
        Go to
      </button>
      <button type="button" className="btn btn-sm border-neutral px-2.5" title={whither} onClick={() => go(entered || shown, true)}>
        At once
      </button>
      <button type="submit" hidden aria-label="Go to the cue that was typed" />
    </form>
  );
}
