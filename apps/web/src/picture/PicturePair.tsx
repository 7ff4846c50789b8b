import type { ShowSheet } from "@zm/core";
import { useCallback, useMemo } from "react";
import type { Outputs } from "../show/outputs.ts";
import { StagePicture } from "./StagePicture.tsx";
import { differenceLights } from "./difference.ts";
import { type StageLight, stageLights } from "./scene.ts";
import { withWaiting } from "./waiting.ts";
import { useStageLook } from "./stageLook.ts";

/** The stage at one moment: the rig as it is then, and what it puts out. */
export interface StageState {
  readonly sheet: ShowSheet;
  readonly outputs: Outputs;
  /** By light, the cue for which it moves in the dark or waits. */
  readonly waits?: ReadonlyMap<number, string>;
}

const NOBODY: ReadonlyMap<number, string> = new Map();

interface PicturePairProps {
  readonly before: StageState;
  readonly after: StageState;
  /** What the two pictures are called: "as it is", "afterwards". */
  readonly names: readonly [string, string];
}

function lightsOf({ sheet, outputs, waits = NOBODY }: StageState): readonly StageLight[] {
  return withWaiting(stageLights(sheet, outputs), waits);
}

/** Two states of the stage beside each other, and what differs between them. */
export function PicturePair({ before, after, names }: PicturePairProps) {
  const { view, haze } = useStageLook();
  const was = useMemo(() => lightsOf(before), [before]);
  const is = useMemo(() => lightsOf(after), [after]);
  const difference = useMemo(() => differenceLights(was, is), [was, is]);
  const changed = difference.filter(({ words }) => words !== "").length;
  return (
    <div className="flex h-full min-h-0 gap-px bg-rule">
      <Picture name={names[0]} lights={was} labels={false} view={view} haze={haze} />
      <Picture name={names[1]} lights={is} labels={false} view={view} haze={haze} />
      <Picture
        name={changed === 0 ? "no difference" : `difference: ${changed} ${changed === 1 ? "light" : "lights"}`}
        lights={difference}
        labels
        view={view}
        haze={haze}
      />
    </div>
  );
}

interface PictureProps {
  readonly name: string;
  readonly lights: readonly StageLight[];
  readonly labels: boolean;
  readonly view: "front" | "plan";
  readonly haze: number;
}

function Picture({ name, lights, ...look }: PictureProps) {
  const give = useCallback(() => lights, [lights]);
  return (
    <figure className="flex min-w-0 flex-1 flex-col bg-black" data-theme="desk">
      <figcaption className="shrink-0 truncate bg-base-100 px-2 py-0.5 text-[13px] text-quiet">{name}</figcaption>
      <div className="min-h-0 flex-1">
        <StagePicture lights={give} description={name} {...look} />
      </div>
    </figure>
  );
}
