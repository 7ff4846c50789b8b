import { findRow, stageAtRest } from "@zm/core";
import { useCallback, useMemo, useRef } from "react";
import { useChoice } from "../choice/choice.ts";
import { cueName } from "../shared/words.ts";
import { stageWords } from "./StageStatus.tsx";
import { useLive } from "../show/live.ts";
import { useList, useMainList, useShow } from "../show/useShow.ts";
import { Link } from "react-router";
import { EmptyView } from "../shared/EmptyView.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { type Painted, StagePicture } from "../picture/StagePicture.tsx";
import { liveOutputs } from "../show/outputs.ts";
import { useStageLook } from "../picture/stageLook.ts";
import { useRigThere } from "../show/rigSeen.ts";
import { lightsUnderway, seenOutputs } from "../picture/underway.ts";
import { waitingFor } from "../picture/waiting.ts";
import { useStagePointer } from "./useStagePointer.ts";

/** Narrow, without times: here the picture wants the room. */
const SPINE = 250;

/** The stage: what is on it now with the Hand over it, or the chosen cue as it will stand when it is complete. */
export function StageView() {
  const list = useList();
  const { id, sheet } = useShow();
  const cue = useChoice((choice) => choice.cueEnd);
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
  const look = blind || !rigThere ? "told" : rig;
  const outputs = useCallback(
    () => resting ?? (look === "seen" ? seenOutputs(sheet, liveOutputs(sheet)) : liveOutputs(sheet)),
    [resting, look, sheet],
  );
  const underway = useCallback(() => {
    const told = liveOutputs(sheet);
    return lightsUnderway(sheet, seenOutputs(sheet, told), told);
  }, [sheet]);
  const caption = blind ? `Cue ${cueName(list.cues[row])}, blind` : `On stage: ${stageWords(main, run?.mix.lists.get(main.id))}`;

  return (
    <div className="flex h-full">
      <SpineColumn width={SPINE} />
      <div className="flex min-w-0 flex-1 flex-col bg-black" data-theme="desk">
        <div className="flex min-h-9 shrink-0 flex-wrap items-center gap-x-2 gap-y-1 border-b border-rule bg-base-100 px-3 whitespace-nowrap text-base-content *:shrink-0 max-[1200px]:gap-x-1 max-[1200px]:px-1.5 max-[1200px]:py-1">
          <div role="group" aria-label="What the picture shows" className="flex gap-1">
            <Toggle pressed={!blind} onClick={() => useStageLook.setState({ shows: "stage" })}>
              On stage
            </Toggle>
            <Toggle pressed={blind} onClick={() => useStageLook.setState({ shows: "cue" })} disabled={row < 0}>
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
          {rigThere && !blind && (
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
        <div className="relative min-h-0 flex-1">
          {sheet.show.channels.length > 0 && (
            <p className="pointer-events-none absolute top-1.5 left-3 z-10 max-w-[70%] truncate text-[13px] text-quiet">{caption}</p>
          )}
          {sheet.show.channels.length === 0 && (
            <div className="absolute inset-0 z-10 grid place-items-center text-base-content">
              <EmptyView
                title="No light hangs here yet"
                words="Lights are made in the Rig: a type first, then a row of lights of it. They hang over the stage until they are given a place."
              >
                <Link
                  className="btn btn-primary btn-sm"
                  to={`/show/${id}/rig/${sheet.show.fixtureTypes.length === 0 ? "types" : "lights"}`}
                >
                  Go to the Rig
                </Link>
              </EmptyView>
            </div>
          )}
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
