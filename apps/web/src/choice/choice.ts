import type { Operation, EditInput, Family, KeySelection } from "@zm/core";
import { create } from "zustand";

/** What the cells of the Score show: the moves of a family, or the times of all moves. */
export type Lens = Family | "times";

/** What is chosen and how it is looked at; it outlives a change of view. */
interface Choice {
  /** The cue that the keyboard stands on, and the other end of the range; equal for one cue. */
  cue: string | null;
  cueEnd: string | null;
  /** The chosen lights, in the order in which they were chosen. */
  channels: readonly number[];
  /** The lights chosen before, the newest first; a few steps back. */
  before: readonly (readonly number[])[];
  /** The light that the keyboard stands on, and the other end of the span. */
  channel: number | null;
  channelEnd: number | null;
  /** The attributes chosen of an opened light, while these very lights are chosen; null: all that the lens shows. */
  attributes: { readonly of: readonly number[]; readonly names: readonly string[] } | null;
  /** The attribute that the keyboard stands on in an opened light, and the other end of the span. */
  attribute: string | null;
  attributeEnd: string | null;
  lens: Lens;
  folded: ReadonlySet<string>;
  /** The lights that the Score shows attribute by attribute. */
  openLights: ReadonlySet<number>;
  /** Scenes that are one line, and cues whose parts stand under them; each named with its list. */
  foldedScenes: ReadonlySet<string>;
  openCues: ReadonlySet<string>;
  /** What stands under the Score: the chosen cues over time, or the pictures of the cue in sight. */
  under: "times" | "pictures" | null;
  /** The Score shows only lights that move in these cues. */
  moving: { readonly list: string; readonly from: string; readonly to: string } | null;
  /** Tracked values are written in every cell. */
  tracked: boolean;
  operation: Operation | null;
  /** What becomes of looks behind a changed range; null: as the show has it. */
  after: "restore" | "track" | null;
  /** An edit that is being thought about: its impact is drawn, nothing is made yet. */
  draft: Draft | null;
  /** The list that is worked on; null for the show's first. */
  list: string | null;
  /** What is open at the right edge in place of the inspector. */
  drawer: "record" | "update" | null;
  /** A cue that is looked at without being chosen, such as one that an edit would change; the spine and the Score bring it in sight. */
  lookedAt: { readonly list: string; readonly cue: string } | null;
}

/** An edit under consideration and where it comes from. */
export interface Draft {
  from: "cells" | "cue" | "times" | "line" | "rig" | "check" | "history" | "planner" | "book";
  edits: readonly EditInput[];
}

export const useChoice = create<Choice>(() => ({
  cue: null,
  cueEnd: null,
  channels: [],
  before: [],
  channel: null,
  channelEnd: null,
  attributes: null,
  attribute: null,
  attributeEnd: null,
  lens: "intensity",
  folded: new Set(),
  openLights: new Set(),
  foldedScenes: new Set(),
  openCues: new Set(),
  under: null,
  moving: null,
  tracked: false,
  operation: null,
  after: null,
  draft: null,
  list: null,
  drawer: null,
  lookedAt: null,
}));

/** Brings a cue in sight without choosing it. */
export function lookAt(list: string, cue: string): void {
  useChoice.setState({ lookedAt: { list, cue } });
}

/** The attributes that are chosen of the chosen lights; undefined: all that the lens shows. */
export function chosenCellAttributes({ channels, attributes }: Pick<Choice, "channels" | "attributes">): readonly string[] | undefined {
  return attributes?.of === channels ? attributes.names : undefined;
}

/** The keys of the chosen cells: the chosen attributes of an opened light, else what the lens shows of the chosen lights. */
export function chosenCellKeys(choice: Pick<Choice, "channels" | "attributes" | "lens">): KeySelection {
  const attributes = chosenCellAttributes(choice);
  const channels = [...choice.channels];
  if (attributes) return { channels, attributes: [...attributes] };
  return choice.lens === "times" ? { channels } : { channels, families: [choice.lens] };
}

/** A set with one member more, or one less where it is in already. */
export function toggled<T>(set: ReadonlySet<T>, member: T): ReadonlySet<T> {
  const next = new Set(set);
  if (!next.delete(member)) next.add(member);
  return next;
}

/** The chosen lights as something is told that speaks of all lights where none is chosen. */
export function chosenLights(): readonly number[] | undefined {
  const { channels } = useChoice.getState();
  return channels.length > 0 ? channels : undefined;
}

const STEPS_BACK = 6;

/** Chooses lights, in this order; what was chosen before can be had again. */
export function chooseLights(channels: readonly number[]): void {
  useChoice.setState(({ channels: old, before }) => ({
    channels: [...channels],
    channel: channels[0] ?? null,
    channelEnd: channels.at(-1) ?? null,
    before:
      old.length > 0 && !sameLights(old, channels)
        ? [old, ...before.filter((each) => !sameLights(each, old))].slice(0, STEPS_BACK)
        : before,
  }));
}

/** Chooses what somebody speaks of: cues, lights, or both; what is not named stays chosen. */
export function chooseNamed({
  cues,
  channels,
}: {
  cues?: { readonly from: string; readonly to: string } | undefined;
  channels?: readonly number[] | undefined;
}): void {
  if (cues) useChoice.setState({ cue: cues.from, cueEnd: cues.to });
  if (channels) chooseLights(channels);
}

/** Takes lights into the choice, or out of it where they are in it already. */
export function toggleLights(lights: readonly number[]): void {
  const { channels } = useChoice.getState();
  const all = lights.every((light) => channels.includes(light));
  chooseLights(
    all ? channels.filter((each) => !lights.includes(each)) : [...channels, ...lights.filter((light) => !channels.includes(light))],
  );
}

/** Chooses what was chosen `steps` choices before; the choice that is left then counts as the oldest. */
export function chooseBefore(steps = 1): void {
  const { before, channels } = useChoice.getState();
  const at = Math.min(steps, before.length) - 1;
  const found = before[at];
  if (!found) return;
  const others = before.filter((_, index) => index !== at);
  useChoice.setState({
    channels: [...found],
    channel: found[0] ?? null,
    channelEnd: found.at(-1) ?? null,
    before: channels.length > 0 ? [...others, channels] : others,
  });
}

function sameLights(a: readonly number[], b: readonly number[]): boolean {
  return a.length === b.length && a.every((each, index) => each === b[index]);
}

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
  chooseLights([]);
  useChoice.setState({ operation: null, draft: null });
}

/** The chosen range of cues, from the lower to the higher; null when none is chosen. */
export function chosenCues({ cue, cueEnd }: Pick<Choice, "cue" | "cueEnd">): { from: string; to: string } | null {
  if (cue === null) return null;
  const end = cueEnd ?? cue;
  return Number(cue) <= Number(end) ? { from: cue, to: end } : { from: end, to: cue };
}

/** Works on another list from now on; null is the show's first. What was chosen in the old one is let go. */
export function chooseList(list: string | null): void {
  useChoice.setState({ list, cue: null, cueEnd: null, draft: null, operation: null });
}
