import { findRow } from "@zm/core";
import { useState } from "react";
import { notify } from "../shared/notices.ts";
import { NO_TIME, readSeconds } from "../shared/readSeconds.ts";
import { useMainList } from "../show/useShow.ts";

/** Going to a cue: in its own times, in a time that is said, or at once. */
export function GoTo({ goTo }: { goTo: (cue: string, time?: number) => void }) {
  const list = useMainList();
  const [typed, setTyped] = useState("");
  const [time, setTime] = useState("");
  const [wrong, setWrong] = useState(false);
  const cue = typed.trim();
  // Said while it is typed: nothing moves for a cue that there is not.
  const missing = cue !== "" && findRow(list, cue) < 0;
  const go = (atOnce: boolean): void => {
    const own = atOnce ? 0 : readSeconds(time);
    setWrong(own === undefined);
    if (missing) notify(`There is no cue ${cue} in this list; nothing moves`, "trouble");
    if (cue === "" || missing || own === undefined) return;
    goTo(cue, own ?? undefined);
    setTyped("");
  };
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        go(false);
      }}
    >
      <input
        aria-label="Go to cue"
        placeholder="cue"
        className="input input-sm figures w-16 bg-base-200 px-1.5 aria-invalid:border-error aria-invalid:text-error"
        aria-invalid={missing}
        title={missing ? `There is no cue ${cue} in this list` : undefined}
        value={typed}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
      />
      <input
        aria-label="In seconds"
        placeholder="its time"
        aria-invalid={wrong}
        title={wrong ? `This ${NO_TIME}` : undefined}
        className="input input-sm figures w-[88px] bg-base-200 px-1.5 aria-invalid:border-error aria-invalid:text-error"
        value={time}
        onChange={(event) => {
          setTime(event.target.value);
          setWrong(false);
        }}
      />
      <button type="submit" className="btn btn-sm border-neutral px-2.5">
        Go to
      </button>
      <button type="button" className="btn btn-sm border-neutral px-2.5" onClick={() => go(true)}>
        At once
      </button>
    </form>
  );
}
