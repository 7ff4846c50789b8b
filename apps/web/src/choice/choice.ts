import type { Deed, EditInput } from "@zm/core";
import { create } from "zustand";

export type Lens = "intensity" | "colour";

/** What is chosen and how it is looked at; it outlives a change of view. */
interface Choice {
  /** The cue that the keyboard stands on, and the other end of the range; equal for one cue. */
  cue: string | null;
  cueEnd: string | null;
  /** The chosen lights, in the order in which they were chosen. */
  channels: readonly number[];
  /** The light that the keyboard stands on, and the other end of the span. */
  channel: number | null;
  channelEnd: number | null;
  lens: Lens;
  folded: ReadonlySet<string>;
  /** Tracked values are written in every cell. */
  tracked: boolean;
  deed: Deed | null;
  after: "restore" | "track";
  /** An edit that is being thought about: its impact is drawn, nothing is made yet. */
  draft: Draft | null;
}

/** An edit under consideration and where it comes from. */
export interface Draft {
  from: "cells" | "line";
  edits: readonly EditInput[];
}

export const useChoice = create<Choice>(() => ({
  cue: null,
  cueEnd: null,
  channels: [],
  channel: null,
  channelEnd: null,
  lens: "intensity",
  folded: new Set(),
  tracked: false,
  deed: null,
  after: "restore",
  draft: null,
}));

/** Chooses one cue; the chosen lights stay. */
export function chooseCue(cue: string): void {
  useChoice.setState({ cue, cueEnd: cue });
}

/** Draws the chosen range of cues out to another cue. */
export function extendToCue(cueEnd: string): void {
  useChoice.setState(({ cue }) => (cue === null ? { cue: cueEnd, cueEnd } : { cueEnd }));
}

/** Lets go of the chosen lights and of what was being thought about. */
export function chooseNothing(): void {
  useChoice.setState({ channels: [], channel: null, channelEnd: null, deed: null, draft: null });
}

/** The chosen range of cues, from the lower to the higher; null when none is chosen. */
export function chosenCues({ cue, cueEnd }: Pick<Choice, "cue" | "cueEnd">): { from: string; to: string } | null {
  if (cue === null) return null;
  const end = cueEnd ?? cue;
  return Number(cue) <= Number(end) ? { from: cue, to: end } : { from: end, to: cue };
}
