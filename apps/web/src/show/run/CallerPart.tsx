import { clockWords } from "@zm/core";
import { PhoneCall, Square } from "lucide-react";
import { useState } from "react";
import { useSelection } from "../../choice/selection.ts";
import { ActionButton } from "../../shared/ActionButton.tsx";
import { useCaller } from "../caller.ts";
import { useList } from "../useShow.ts";
import { useCall } from "./useCall.ts";

const SPEEDS = [1, 2, 5, 10, 20, 60];
const MOST_LINES = 5;

/** The simulated stage manager: how fast the play is read, from where, and what is said. */
export function CallerPart() {
  const { running, said, speed: now } = useCaller();
  const list = useList();
  const cue = useSelection((choice) => choice.cueEnd);
  const [speed, setSpeed] = useState(20);
  const { call, leave } = useCall();
  const first = list.cues[0]?.number;
  return (
    <section aria-label="Caller" className="flex flex-col gap-2 border-t border-rule pt-3">
      <h2 className="font-bold">Caller</h2>
      {running ? (
        <ActionButton className="btn btn-sm border-neutral" onAct={leave}>
          <Square size={13} className="fill-current" /> Send the caller away ({now}×)
        </ActionButton>
      ) : (
        <>
          <label className="flex items-center gap-2">
            <span className="w-28 shrink-0 text-quiet">reads the play at</span>
            <select
              aria-label="Speed of the caller"
              className="select select-sm w-24 bg-base-100"
              value={speed}
              onChange={(event) => setSpeed(Number(event.target.value))}
            >
              {SPEEDS.map((each) => (
                <option key={each} value={each}>
                  {each}×
                </option>
              ))}
            </select>
          </label>
          <span className="flex flex-wrap gap-1.5">
            <ActionButton
              className="btn btn-sm border-neutral"
              disabled={first === undefined}
              onAct={() => call(speed, first)}
              title="Live: fires every cue at its word, from the first"
            >
              <PhoneCall size={13} /> Call the play
            </ActionButton>
            {cue !== null && cue !== first && (
              <ActionButton
                className="btn btn-sm border-neutral"
                onAct={() => call(speed, cue)}
                title={`Live: goes to the cue before ${cue}, and calls from there`}
              >
                from {cue}
              </ActionButton>
            )}
          </span>
        </>
      )}
      <CallerSays most={MOST_LINES} />
      {said.length === 0 && (
        <p className="text-[13px] text-quiet">
          Presses Go at each cue's word, by OSC, as anybody outside would. Live: it moves what is on stage.
        </p>
      )}
    </section>
  );
}

/** What the caller said last, the newest first. */
export function CallerSays({ most }: { most: number }) {
  const said = useCaller((caller) => caller.said);
  if (said.length === 0) return null;
  return (
    <ul aria-label="The caller says" aria-live="polite" className="flex flex-col">
      {said.slice(0, most).map(({ moment, words, what }, index) => (
        <li
          key={`${said.length - index}/${words}`}
          className={`flex gap-2 text-[13px] ${index > 0 ? "text-quiet" : what === "says" ? "text-error" : ""}`}
        >
          <span className="figures w-12 shrink-0 text-right">{clockWords(moment)}</span>
          <span className="min-w-0 flex-1">{words}</span>
        </li>
      ))}
    </ul>
  );
}
