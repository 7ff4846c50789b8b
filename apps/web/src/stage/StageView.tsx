import { findRow, stageAtRest } from "@zm/core";
import { useCallback, useMemo, useRef } from "react";
import { chooseWhole, useSelection, walkChoice } from "../choice/selection.ts";
import { useShortcut } from "../shared/useShortcut.ts";
import { cueName } from "../shared/words.ts";
import { stageWords } from "./StageStatus.tsx";
import { useLive } from "../show/live.ts";
import { useList, useMainList, useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { type Painted, StagePicture } from "../picture/StagePicture.tsx";
import { handOutputs, liveOutputs } from "../show/outputs.ts";
import { useStageLook } from "../picture/stageLook.ts";
import { useRigThere } from "../show/rigSeen.ts";
import { lightsUnderway, seenOutputs } from "../picture/underway.ts";
import { waitingFor } from "../picture/waiting.ts";
import { EmptyStage } from "./EmptyStage.tsx";
import { StageTools } from "./StageTools.tsx";
import { useStagePointer } from "./useStagePointer.ts";

/** Narrow, without times: here the picture wants the room. */
const SPINE = 250;

/** The stage: what is on it now with the Hand over it, or the chosen cue as it will stand when it is complete. */
export function StageView() {
  const list = useList();
  const { id, sheet } = useShow();
  const cue = useSelection((choice) => choice.cueEnd);
  const { shows, rig, view, haze, labels } = useStageLook();
  const main = useMainList();
  const run = useLive((live) => live.run);
  const row = cue === null ? -1 : findRow(list, cue);
  const blind = shows === "cue" && row >= 0;
  const painted = useRef<Painted | null>(null);
  const pointer = useStagePointer(painted, !blind);
  const resting = useMemo(() => (blind ? stageAtRest(list, row) : undefined), [blind, list, row]);
  const stands = blind ? list : main;
  const onStage = run?.mix.lists.get(main.id)?.cue ?? null;
  const standing = blind ? row : onStage === null ? -1 : findRow(main, onStage);
  const waits = useMemo(() => waitingFor(stands, standing), [stands, standing]);
  const rigThere = useRigThere(id);
  const alone = shows === "hand";
  const look = blind || alone || !rigThere ? "told" : rig;
  const outputs = useCallback(
    () => resting ?? (alone ? handOutputs(sheet) : look === "seen" ? seenOutputs(sheet, liveOutputs(sheet)) : liveOutputs(sheet)),
    [resting, alone, look, sheet],
  );
  const underway = useCallback(() => {
    const told = liveOutputs(sheet);
    return lightsUnderway(sheet, seenOutputs(sheet, told), told);
  }, [sheet]);
  useShortcut("walkLights", (event) => walkChoice(event.shiftKey ? -1 : 1));
  useShortcut("wholeChoice", chooseWhole);
  const caption = alone
    ? "What is in hand, alone"
    : blind
      ? `Cue ${cueName(list.cues[row])}, blind`
      : `On stage: ${stageWords(main, run?.mix.lists.get(main.id))}`;

  return (
    <div className="flex h-full">
      <SpineColumn width={SPINE} />
      <div className="flex min-w-0 flex-1 flex-col bg-black" data-theme="desk">
        <StageTools
          shown={blind ? "cue" : alone ? "hand" : "stage"}
          canBlind={row >= 0}
          look={rigThere && !blind && !alone ? look : null}
        />
        <div className="relative min-h-0 flex-1">
          {sheet.show.channels.length > 0 && (
            <p className="pointer-events-none absolute top-1.5 left-3 z-10 max-w-[70%] truncate text-[13px] text-quiet">{caption}</p>
          )}
          {sheet.show.channels.length === 0 && <EmptyStage />}
          <StagePicture
            {...(look === "both" ? { lights: underway } : { outputs })}
            labels={labels}
            waits={waits}
            view={view}
            haze={haze}
            description={caption}
            rings={!blind}
            painted={painted}
            {...pointer}
          />
        </div>
      </div>
    </div>
  );
}
