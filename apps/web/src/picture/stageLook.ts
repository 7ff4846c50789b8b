import { create } from "zustand";
import type { ViewName } from "./view.ts";

/** How the Stage is looked at; it outlives a change of view. */
interface StageLook {
  /** What is on stage now, the Hand alone without what runs beneath, or the chosen cue blind. */
  shows: "stage" | "hand" | "cue";
  /** Of what is on stage: what is commanded, what the simulated lights do, or these with where each is still going. */
  rig: "told" | "seen" | "both";
  view: ViewName;
  /** 0 to 1. */
  haze: number;
  labels: boolean;
}

export const useStageLook = create<StageLook>(() => ({ shows: "stage", rig: "told", view: "front", haze: 0.8, labels: true }));
