import { ALL_OFF_TIME } from "@zm/core";
import { seconds } from "../../shared/words.ts";
import { useEverythingOff } from "./useEverythingOff.ts";
import { useGrand } from "./useGrand.ts";

/** Holds all levels at 0, and lets them come back. */
export function BlackoutButton() {
  const { dark } = useGrand();
  const { blackout } = useEverythingOff();
  return (
    <button
      type="button"
      className="btn btn-xs h-7 border-neutral aria-pressed:border-error aria-pressed:text-error"
      aria-pressed={dark}
      title="Holds all levels at 0 until it is pressed again; what runs beneath runs on (Ctrl B)"
      onClick={blackout}
    >
      Blackout
    </button>
  );
}

/** Lets go of all that runs, in so many seconds. */
export function AllOffButton({ time = ALL_OFF_TIME }: { time?: number }) {
  const { allOff } = useEverythingOff();
  return (
    <button
      type="button"
      className="btn btn-xs h-7 border-neutral"
      title={`Lets go of every list, held look and the Hand in ${seconds(time)} s, but for lights that stay (Ctrl Shift Backspace). Typed: all off in 5`}
      onClick={(event) => void allOff(event, time)}
    >
      All off
    </button>
  );
}
