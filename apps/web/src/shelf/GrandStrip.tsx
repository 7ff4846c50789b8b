import { AllOffButton, BlackoutButton } from "../show/run/OffButtons.tsx";
import { useEverythingOff } from "../show/run/useEverythingOff.ts";
import { useGrand } from "../show/run/useGrand.ts";
import { Fader } from "./Fader.tsx";
import { Strip } from "./Strip.tsx";

/** What lies over everything: the grand master, the blackout, and all off. */
export function GrandStrip() {
  const { level, dark } = useGrand();
  const { grand } = useEverythingOff();
  return (
    <Strip
      name="Everything"
      state={dark ? "blackout" : level < 100 ? "held down" : "grand master"}
      on={dark || level < 100}
      fader={<Fader label="Grand master" value={level} onMove={grand} />}
    >
      <p className="figures leading-5">{Math.round(level)} %</p>
      <BlackoutButton />
      <AllOffButton />
    </Strip>
  );
}
