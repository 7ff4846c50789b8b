import { findRow } from "@zm/core";
import { useCallback, useState } from "react";
import { useChoice } from "../choice/choice.ts";
import { cueName } from "../shared/words.ts";
import { listNow, useLive } from "../show/live.ts";
import { useList } from "../show/useShow.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { StagePicture } from "./StagePicture.tsx";
import { blindOutputs, liveOutputs } from "./outputs.ts";

/** The picture of the stage: what is on it now, or the chosen cue as it will stand when it is complete. */
export default function StageView() {
  const list = useList();
  const cue = useChoice((choice) => choice.cueEnd);
  const [blind, setBlind] = useState(true);
  const [labels, setLabels] = useState(true);
  const stageCue = useLive((live) => live.run?.playback.cue ?? null);
  const row = cue === null ? -1 : findRow(list, cue);
  const showsBlind = blind && row >= 0;
  const outputs = useCallback(() => {
    if (showsBlind) return blindOutputs(list, row);
    const { run, ahead } = useLive.getState();
    return liveOutputs(run?.playback, run ? listNow(run.clock, ahead) : 0);
  }, [showsBlind, list, row]);
  const caption = showsBlind
    ? `Cue ${cueName(list.cues[row])}, blind, as it stands when complete`
    : stageCue === null
      ? "On stage: nothing fired yet"
      : `On stage: cue ${stageCue}`;

  return (
    <div className="flex h-full">
      <SpineColumn />
      <div className="flex min-w-0 flex-1 flex-col bg-black" data-theme="desk">
        <div className="flex h-9 shrink-0 items-center gap-2 border-b border-rule bg-base-100 px-3">
          <span className="min-w-0 flex-1 truncate">{caption}</span>
          <div role="group" aria-label="What the picture shows" className="flex gap-1">
            <Toggle pressed={showsBlind} onClick={() => setBlind(true)} disabled={row < 0}>
              Chosen cue
            </Toggle>
            <Toggle pressed={!showsBlind} onClick={() => setBlind(false)}>
              On stage
            </Toggle>
          </div>
          <Toggle pressed={labels} onClick={() => setLabels(!labels)}>
            Numbers
          </Toggle>
        </div>
        <div className="min-h-0 flex-1">
          <StagePicture outputs={outputs} labels={labels} description={caption} />
        </div>
      </div>
    </div>
  );
}
