import { useStageLook } from "../picture/stageLook.ts";
import { Toggle } from "../shared/Toggle.tsx";

interface StageToolsProps {
  /** What the picture shows: what is on stage, the Hand alone, or the chosen cue. */
  readonly shown: "stage" | "hand" | "cue";
  /** A cue is chosen that could be shown. */
  readonly canBlind: boolean;
  /** Which lights are drawn: as they are told, as they are, or both; null where nobody tells how they are. */
  readonly look: "told" | "seen" | "both" | null;
}

/** What the picture of the stage shows, and from where. */
export function StageTools({ shown, canBlind, look }: StageToolsProps) {
  const { view, haze, labels } = useStageLook();
  return (
    <div className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-2 gap-y-1 border-b border-rule bg-base-100 px-3 whitespace-nowrap text-base-content *:shrink-0 max-[1200px]:gap-x-1 max-[1200px]:px-1.5 max-[1200px]:py-1">
      <div role="group" aria-label="What the picture shows" className="flex gap-1">
        <Toggle pressed={shown === "stage"} onClick={() => useStageLook.setState({ shows: "stage" })}>
          On stage
        </Toggle>
        <Toggle
          pressed={shown === "hand"}
          title="What is in hand without what runs beneath it"
          onClick={() => useStageLook.setState({ shows: "hand" })}
        >
          Hand alone
        </Toggle>
        <Toggle pressed={shown === "cue"} onClick={() => useStageLook.setState({ shows: "cue" })} disabled={!canBlind}>
          Chosen cue
        </Toggle>
      </div>
      <div role="group" aria-label="Seen from" className="flex gap-1">
        <Toggle pressed={view === "front"} onClick={() => useStageLook.setState({ view: "front" })}>
          Front
        </Toggle>
        <Toggle pressed={view === "plan"} onClick={() => useStageLook.setState({ view: "plan" })}>
          Plan
        </Toggle>
      </div>
      {look && (
        <div role="group" aria-label="Lights as they are" className="flex gap-1">
          <Toggle pressed={look === "told"} onClick={() => useStageLook.setState({ rig: "told" })}>
            As told
          </Toggle>
          <Toggle pressed={look === "seen"} onClick={() => useStageLook.setState({ rig: "seen" })}>
            As it is
          </Toggle>
          <Toggle pressed={look === "both"} onClick={() => useStageLook.setState({ rig: "both" })}>
            Both
          </Toggle>
        </div>
      )}
      <Toggle pressed={labels} onClick={() => useStageLook.setState({ labels: !labels })}>
        Numbers
      </Toggle>
      <label className="flex items-center gap-1.5 text-[13px] text-quiet">
        haze
        <input
          type="range"
          min={0}
          max={1}
          step={0.05}
          value={haze}
          className="range range-xs w-16 text-neutral [--range-thumb:var(--color-base-content)]"
          onChange={(event) => useStageLook.setState({ haze: Number(event.target.value) })}
        />
      </label>
    </div>
  );
}
