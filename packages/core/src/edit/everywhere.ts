// What one light or palette does given to another in every list and every held look at once: a planner on top of the edits, not one of them.
import { paletteOf } from "../show/move.ts";
import { ShowError } from "../show/errors.ts";
import { rigOf } from "../show/rig.ts";
import type { HeldLook, MoveSpec, Moves } from "../show/schema.ts";
import { columnOf } from "../sheet/entry.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../sheet/sheet.ts";
import { keyAt } from "../sheet/keys.ts";
import { makeEdits } from "./edit.ts";
import { type EditInput, readEdits } from "./edits.ts";

type Recast = Omit<Extract<EditInput, { op: "recast" }>, "op" | "list" | "from" | "to">;

/** From the first cue of a list to its last. */
function whole(list: ListSheet): { list: string; from: string; to: string } {
  return { list: list.id, from: cueAt(list, 0).number, to: cueAt(list, list.cues.length - 1).number };
}

/**
 * The edits that recast lights in every list that uses them, from its first cue to its last, and in every held look. Throws ShowError where nothing
 * uses them, and where a held look holds what the other light cannot do and it is not said what becomes of that.
 */
export function recastEverywhere(sheet: ShowSheet, recast: Recast): EditInput[] {
  const from = [recast.channel].flat();
  const to = [recast.as].flat();
  if (from.length !== to.length) throw new ShowError(`${from.length} lights as ${to.length}: name as many lights on both sides`);
  const concerned = new Set(recast.how === "swap" ? [...from, ...to] : from);
  const lists = [...sheet.lists.values()].filter(
    (list) => list.cues.length > 0 && list.keys.all.some((key) => concerned.has(key.channel) && columnOf(list, key).rows.length > 0),
  );
  const looks = (sheet.show.heldLooks ?? []).flatMap((look): EditInput[] => {
    const values = recastValues(sheet, look, recast, from, to);
    return values ? [{ op: "setHeldLook", look: { ...look, values } }] : [];
  });
  const inLists = lists.map((list): EditInput => ({ op: "recast", ...recast, ...whole(list) }));
  // Where all that a list holds is left with who has it, nothing is to be done there.
  const left = recast.skipMissing ? inLists.filter((edit) => changesSomething(sheet, edit)) : inLists;
  const edits = [...left, ...looks];
  if (edits.length > 0) return edits;
  throw new ShowError(`Neither a list nor a held look uses ${from.length === 1 ? `light ${from[0]}` : "these lights"}`);
}

/** True for an edit that can be made and changes something. */
function changesSomething(sheet: ShowSheet, edit: EditInput): boolean {
  try {
    return makeEdits(sheet, readEdits([edit])).steps.length > 0;
  } catch (error) {
    if (error instanceof ShowError) return false;
    throw error;
  }
}

/** The values of a held look after a recast; undefined where it has none of these lights. */
function recastValues(
  { show }: ShowSheet,
  look: HeldLook,
  { how = "replace", skipMissing, dropMissing }: Recast,
  from: readonly number[],
  to: readonly number[],
): Moves | undefined {
  const rig = rigOf(show);
  const pairs = from.flatMap((channel, index): [number, number][] => {
    const as = to[index] ?? channel;
    return how === "swap"
      ? [
          [channel, as],
          [as, channel],
        ]
      : [[channel, as]];
  });
  if (!pairs.some(([channel]) => look.values[channel])) return undefined;
  const after: Moves = { ...look.values };
  if (how !== "copy") for (const [channel] of pairs) delete after[channel];
  for (const [channel, as] of pairs) {
    const own = look.values[channel] ?? {};
    const fits = Object.entries(own).filter(([attribute]) => rig.attributes.get(as)?.has(attribute));
    const lacking = Object.entries(own).filter(([attribute]) => !rig.attributes.get(as)?.has(attribute));
    if (lacking.length > 0 && !skipMissing && !dropMissing)
      throw new ShowError(
        `Held look ${look.label || look.id}: light ${as} has no ${lacking.map(([attribute]) => attribute).join(" and no ")}; leave it with who has it (leave), or forget it (drop)`,
      );
    if (fits.length > 0) after[as] = { ...(how === "copy" ? look.values[as] : {}), ...Object.fromEntries(fits) };
    if (skipMissing && lacking.length > 0) after[channel] = { ...after[channel], ...Object.fromEntries(lacking) };
  }
  return after;
}

/**
 * The edits that swap palettes in every list that refers to one, and in every held look. Throws ShowError where nothing refers to them, and
 * where the other palette has no value for a light of a held look, unless that is left as it is.
 */
export function swapEverywhere(sheet: ShowSheet, palettes: readonly string[], as: readonly string[], skipMissing: boolean): EditInput[] {
  const pair = new Map(palettes.map((palette, index) => [palette, as[index] ?? palette]));
  const lists = [...sheet.lists.values()];
  const inLists = lists.flatMap((list): EditInput[] => {
    // A list is told only of those palettes that it refers to: the edit refuses one that nothing refers to.
    const own = palettes.filter((palette) => list.columns.some((column) => column.palettes?.has(palette)));
    if (own.length === 0) return [];
    return [{ op: "swapPalette", ...whole(list), palette: own, as: own.map((palette) => pair.get(palette) ?? palette), skipMissing }];
  });
  const inLooks = (sheet.show.heldLooks ?? []).flatMap((look): EditInput[] => {
    let used = false;
    const swapped = (channel: string, attribute: string, spec: MoveSpec): MoveSpec => {
      const other = pair.get(paletteOf(spec) ?? "");
      const key = keyAt(sheet.keys, Number(channel), attribute);
      if (other === undefined || !key) return spec;
      if (sheet.palettes.valueFor(other, key) !== undefined) {
        used = true;
        return { palette: other };
      }
      if (skipMissing) return spec;
      throw new ShowError(
        `Held look ${look.label || look.id}: palette "${other}" has no ${attribute} for light ${channel}; leave it as it is (leave)`,
      );
    };
    const values = Object.fromEntries(
      Object.entries(look.values).map(([channel, own]) => [
        channel,
        Object.fromEntries(Object.entries(own).map(([attribute, spec]) => [attribute, swapped(channel, attribute, spec)])),
      ]),
    );
    return used ? [{ op: "setHeldLook", look: { ...look, values } }] : [];
  });
  if (inLists.length + inLooks.length > 0) return [...inLists, ...inLooks];
  throw new ShowError(`Neither a list nor a held look refers to ${palettes.join(" or ")}`);
}
