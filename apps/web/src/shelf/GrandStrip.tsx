import { ALL_OFF_TIME } from "@zm/core";
import { useEverythingOff } from "../show/run/useEverythingOff.ts";
import { useGrand } from "../show/run/useGrand.ts";
import { Fader } from "./Fader.tsx";
import { Strip } from "./Strip.tsx";

/** What lies over everything: the grand master, the blackout, and all off. */
export function GrandStrip() {
  const { level, dark } = useGrand();
  const { allOff, blackout, grand } = useEverythingOff();
  return (
    <Strip
      name="Everything"
      state={dark ? "blackout" : level < 100 ? "held down" : "grand master"}
      on={dark || level < 100}
      fader={<Fader label="Grand master" value={level} onMove={grand} />}
    >
      <p className="figures leading-5">{Math.round(level)} %</p>
      <button
        type="button"
        className="btn btn-xs h-7 border-neutral px-1 aria-pressed:border-error aria-pressed:text-error"
        aria-pressed={dark}
        title="Holds all levels at 0 until it is pressed again; what runs beneath runs on (Ctrl B)"
        onClick={blackout}
      >
        Blackout
      </button>
      <button
        type="button"
        className="btn btn-xs h-7 border-neutral px-1"
        title={`Lets go of every list, held look and the Hand in ${ALL_OFF_TIME} s, but for lights that stay (Ctrl Shift Backspace). Typed: all off in 5`}
        onClick={(event) => void allOff(event)}
      >
        All off
      </button>
    </Strip>
  );
}
