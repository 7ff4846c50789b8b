import {
  type EditInput,
  type Family,
  type KeySelection,
  type Moves,
  type PaletteScope,
  type Waves,
  freeId,
  freeIdAmong,
  heldWave,
  movementFrom,
  heldKeys,
  paceFromHand,
  paletteFromHand,
} from "@zm/core";
import { unlessRefused } from "../../shared/unlessRefused.ts";
import type { Runner } from "../queue.ts";
import { useMakeEdits, useShow } from "../useShow.ts";
import { useHand } from "../handStore.ts";
import { useHandChange } from "./useHandChange.ts";

/** What is to be kept of the Hand as a palette, of all lights or of some. */
export interface PaletteWish {
  readonly label: string;
  readonly family: Family;
  readonly scope: PaletteScope;
  readonly channels?: readonly number[] | undefined;
  /** Only these attributes of the family; left out: all of it. */
  attributes?: readonly string[] | undefined;
}

/** Keeping what is in hand, as a palette or as a pace. One that has the name already is changed. */
export function useKeeping() {
  const { sheet } = useShow();
  const { palettes, paces } = sheet.show;
  const makeEdits = useMakeEdits();
  const { change } = useHandChange();

  const paletteNamed = (label: string, family: Family) =>
    palettes.find((each) => each.family === family && each.label.toLowerCase() === label.trim().toLowerCase());

  /** The edit that keeps a palette. Throws ShowError when nothing of the family is in hand. */
  const paletteEdit = ({ label, family, scope, channels, attributes }: PaletteWish): Extract<EditInput, { op: "setPalette" }> => {
    const known = paletteNamed(label, family);
    const taken = palettes.map((each) => each.id);
    const id = known?.id ?? freeId(label, taken);
    return {
      op: "setPalette",
      palette: paletteFromHand(sheet, useHand.getState().hand, {
        id,
        label: known?.label ?? label.trim(),
        family,
        scope,
        channels,
        attributes,
      }),
    };
  };

  /** Keeps a palette; the values in hand that it took refer to it from then on. */
  const keepPalette = async (wish: PaletteWish, run?: Runner): Promise<boolean> => {
    const edit = unlessRefused(() => paletteEdit(wish));
    if (!edit || !(await makeEdits([edit], run))) return false;
    const selection: KeySelection = {
      ...(wish.attributes ? { attributes: [...wish.attributes] } : { families: [wish.family] }),
      ...(wish.channels ? { channels: [...wish.channels] } : {}),
    };
    const moves: Moves = {};
    for (const key of heldKeys(sheet, useHand.getState().hand, selection))
      (moves[key.channel] ??= {})[key.attribute.id] = { palette: edit.palette.id };
    return change({ do: "give", moves }, run);
  };

  /** The edit that keeps a pace; a fan runs over the lights in the order given. Throws ShowError when no value in hand has times of its own. */
  const paceEdit = (label: string, channels?: readonly number[]): Extract<EditInput, { op: "setPace" }> => {
    const known = paces.find((each) => each.label.toLowerCase() === label.trim().toLowerCase());
    const taken = paces.map((each) => each.id);
    const name = known?.label ?? label.trim();
    const id = known?.id ?? freeId(label, taken);
    return { op: "setPace", pace: paceFromHand(sheet, useHand.getState().hand, { id, label: name, channels }) };
  };

  /** Keeps the own times in hand as a pace. */
  const keepPace = async (label: string, channels?: readonly number[], run?: Runner): Promise<boolean> => {
    const edit = unlessRefused(() => paceEdit(label, channels));
    return edit !== undefined && makeEdits([edit], run);
  };

  /** The edit that keeps what lights sway in hand as a movement. Throws ShowError when none of them does. */
  const movementEdit = (label: string, channels?: readonly number[]): Extract<EditInput, { op: "setMovement" }> => {
    const { movements = [] } = sheet.show;
    const known = movements.find((each) => each.label.toLowerCase() === label.trim().toLowerCase());
    const { hand } = useHand.getState();
    const waves: Waves = {};
    for (const key of sheet.keys.all) {
      const held = heldWave(hand, key);
      if (held) (waves[key.channel] ??= {})[key.attribute.id] = held.wave;
    }
    const id = known?.id ?? freeIdAmong(label, movements);
    const lights = channels ?? Object.keys(waves).map(Number);
    return { op: "setMovement", movement: movementFrom(waves, lights, { id, label: known?.label ?? label.trim() }) };
  };

  /** Keeps what lights sway in hand as a movement. */
  const keepMovement = async (label: string, channels?: readonly number[], run?: Runner): Promise<boolean> => {
    const edit = unlessRefused(() => movementEdit(label, channels));
    return edit !== undefined && makeEdits([edit], run);
  };

  return { movementEdit, keepMovement, paletteNamed, paletteEdit, keepPalette, paceEdit, keepPace };
}
