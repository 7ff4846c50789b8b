import { SecondsField } from "../shared/SecondsField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { cueOnStage, useLive } from "../show/live.ts";
import { useEditsLive } from "../show/editsLive.ts";
import { useList } from "../show/useShow.ts";

/** Beside the line: whether edits of the cue on stage are seen there at once, and in which time. Only where a cue of the list is on stage. */
export function EditsLiveSwitch() {
  const list = useList();
  const onStage = useLive((live) => cueOnStage(live.run, list.id));
  const { on, time } = useEditsLive();
  if (onStage === null) return null;
  return (
    <span className="flex shrink-0 items-center gap-1.5 text-[13px] text-quiet">
      <Toggle
        pressed={on}
        title={
          on
            ? `What is edited of cue ${onStage} is seen on stage at once; press to edit blind again`
            : `Edits are blind: cue ${onStage} on stage stays as it was fired. Press to see them there at once`
        }
        onClick={() => useEditsLive.setState({ on: !on })}
      >
        {on ? `Edits of ${onStage} live` : "Edits blind"}
      </Toggle>
      {on && (
        <>
          in
          <span className="w-14">
            <SecondsField label="edits are seen in seconds" value={time} onTake={(next) => useEditsLive.setState({ time: next ?? 1 })} />
          </span>
        </>
      )}
    </span>
  );
}
