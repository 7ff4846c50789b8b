import type { KeySelection } from "@zm/core";
import { create } from "zustand";
import { dropDraft } from "./draft.ts";
import type { Lens } from "./sheetView.ts";

/** The chosen lights of a block of cells, and of an opened light the chosen attributes. */
export interface LightSpan {
  /** In the order in which they were chosen. */
  readonly channels: readonly number[];
  /** The light that the keyboard stands on, and the other end of the span. */
  readonly channel: number | null;
  readonly channelEnd: number | null;
  /** The attributes chosen of an opened light, while these very lights are chosen; null: all that the lens shows. */
  readonly attributes: { readonly of: readonly number[]; readonly names: readonly string[] } | null;
  /** The attribute that the keyboard stands on in an opened light, and the other end of the span. */
  readonly attribute: string | null;
  readonly attributeEnd: string | null;
}

/** What is chosen; it outlives a change of view. */
interface Selection extends LightSpan {
  /** The list that is worked on; null for the show's first. */
  readonly list: string | null;
  /** The cue that the keyboard stands on, and the other end of the range; equal for one cue. */
  readonly cue: string | null;
  readonly cueEnd: string | null;
  /** The lights chosen before, the newest first; a few steps back. */
  readonly before: readonly (readonly number[])[];
  /** The choice that is being walked light by light; null: none is. */
  readonly walked: readonly number[] | null;
}

/** No light. */
export const NO_LIGHTS: LightSpan = {
  channels: [],
  channel: null,
  channelEnd: null,
  attributes: null,
  attribute: null,
  attributeEnd: null,
};

/** Read it anywhere; it is changed by the functions of this file alone. */
export const useSelection = create<Selection>(() => ({ ...NO_LIGHTS, list: null, cue: null, cueEnd: null, before: [], walked: null }));

/** The attributes that are chosen of the chosen lights; undefined: all that the lens shows. */
export function chosenCellAttributes({ channels, attributes }: Pick<Selection, "channels" | "attributes">): readonly string[] | undefined {
  return attributes?.of === channels ? attributes.names : undefined;
}

/** The keys of the chosen cells: the chosen attributes of an opened light, else what the lens shows of the chosen lights. */
export function chosenCellKeys(selection: Pick<Selection, "channels" | "attributes">, lens: Lens): KeySelection {
  const attributes = chosenCellAttributes(selection);
  const channels = [...selection.channels];
  if (attributes) return { channels, attributes: [...attributes] };
  return lens === "times" ? { channels } : { channels, families: [lens] };
}

/** The chosen lights as something is told that speaks of all lights where none is chosen. */
export function chosenLights(): readonly number[] | undefined {
  const { channels } = useSelection.getState();
  return channels.length > 0 ? channels : undefined;
}

/** The chosen range of cues, from the lower to the higher; null when none is chosen. */
export function chosenCues({ cue, cueEnd }: Pick<Selection, "cue" | "cueEnd">): { from: string; to: string } | null {
  if (cue === null) return null;
  const end = cueEnd ?? cue;
  return Number(cue) <= Number(end) ? { from: cue, to: end } : { from: end, to: cue };
}

/** Chooses one cue; the chosen lights stay. */
export function chooseCue(cue: string): void {
  chooseCues(cue, cue);
}

/** Chooses a range of cues; the chosen lights stay. `from` is the end that stays when the range is drawn out. */
export function chooseCues(from: string, to: string): void {
  useSelection.setState({ cue: from, cueEnd: to });
}

/** Draws the chosen range of cues out to another cue. */
export function extendToCue(cueEnd: string): void {
  useSelection.setState(({ cue }) => (cue === null ? { cue: cueEnd, cueEnd } : { cueEnd }));
}

/** Works on another list from now on; null is the show's first. What was chosen in the old one is let go. */
export function chooseList(list: string | null): void {
  useSelection.setState({ list, cue: null, cueEnd: null });
  dropDraft();
}

const STEPS_BACK = 6;

/** Chooses lights, in this order; what was chosen before can be had again. */
export function chooseLights(channels: readonly number[]): void {
  useSelection.setState(({ channels: old, before }) => ({
    channels: [...channels],
    channel: channels[0] ?? null,
    channelEnd: channels.at(-1) ?? null,
    walked: null,
    before:
      old.length > 0 && !sameLights(old, channels)
        ? [old, ...before.filter((each) => !sameLights(each, old))].slice(0, STEPS_BACK)
        : before,
  }));
}

/** Chooses the lights of a block of cells and, of an opened light, attributes. The choice before is not kept: a block grows light by light. */
export function chooseSpan(span: LightSpan): void {
  useSelection.setState(span);
}

/** Lets go of chosen attributes: all that the lens shows is chosen again. */
export function chooseAllAttributes(): void {
  useSelection.setState({ attributes: null, attribute: null, attributeEnd: null });
}

/** Chooses what somebody speaks of: cues, lights, or both; what is not named stays chosen. */
export function chooseNamed({
  cues,
  channels,
}: {
  cues?: { readonly from: string; readonly to: string } | undefined;
  channels?: readonly number[] | undefined;
}): void {
  if (cues) chooseCues(cues.from, cues.to);
  if (channels) chooseLights(channels);
}

/** Takes lights into the choice, or out of it where they are in it already. */
export function toggleLights(lights: readonly number[]): void {
  const { channels } = useSelection.getState();
  const all = lights.every((light) => channels.includes(light));
  chooseLights(
    all ? channels.filter((each) => !lights.includes(each)) : [...channels, ...lights.filter((light) => !channels.includes(light))],
  );
}

/** Chooses what was chosen `steps` choices before; the choice that is left then counts as the oldest. */
export function chooseBefore(steps = 1): void {
  const { before, channels } = useSelection.getState();
  const at = Math.min(steps, before.length) - 1;
  const found = before[at];
  if (!found) return;
  const others = before.filter((_, index) => index !== at);
  useSelection.setState({
    channels: [...found],
    channel: found[0] ?? null,
    channelEnd: found.at(-1) ?? null,
    before: channels.length > 0 ? [...others, channels] : others,
  });
}

/** Chooses the next light of the choice alone, or the one before it; round and round. The whole can be had again. */
export function walkChoice(by: 1 | -1): void {
  const { channels, walked } = useSelection.getState();
  const of = walked ?? channels;
  if (of.length < 2) return;
  const at = walked ? of.indexOf(channels[0] ?? -1) : by > 0 ? -1 : 0;
  const light = of[(at + by + of.length) % of.length];
  if (light === undefined) return;
  useSelection.setState({ channels: [light], channel: light, channelEnd: light, walked: of });
}

/** Chooses the whole choice again that was walked light by light. */
export function chooseWhole(): void {
  const { walked } = useSelection.getState();
  if (!walked) return;
  useSelection.setState({ channels: [...walked], channel: walked[0] ?? null, channelEnd: walked.at(-1) ?? null, walked: null });
}

/** The lights of the choice before that were left out when some of them were chosen: the other half of every second. Empty where there is none such. */
export function leftOut({ channels, before }: Pick<Selection, "channels" | "before"> = useSelection.getState()): readonly number[] {
  const larger = before.find((each) => each.length > channels.length && channels.every((channel) => each.includes(channel)));
  return channels.length === 0 || !larger ? [] : larger.filter((channel) => !channels.includes(channel));
}

/** Lets go of lights that are there no longer, and does not keep them to be chosen again. */
export function forgetLights(): void {
  useSelection.setState(NO_LIGHTS);
}

/** Lets go of the chosen lights and of what was being thought about. */
export function chooseNothing(): void {
  chooseLights([]);
  dropDraft();
}

function sameLights(a: readonly number[], b: readonly number[]): boolean {
  return a.length === b.length && a.every((each, index) => each === b[index]);
}
