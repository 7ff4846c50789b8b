import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { columnOf } from "../../sheet/entry.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import { applyEntry } from "../steps/applyEntry.ts";
import type { EntryStep, MoveStep, Step } from "../steps/step.ts";
import { entryChange } from "../plan/entryChange.ts";
import { headStep } from "../plan/headStep.ts";
import { wavesRenamed } from "../plan/partWaves.ts";
import { channelNumber } from "../plan/fields.ts";
import { defineEdit } from "./kind.ts";

const schema = z.strictObject({ op: z.literal("renumberChannel"), channel: channelNumber, to: channelNumber });

type RenumberChannelEdit = z.infer<typeof schema>;

/** The steps that call a light by another number: what it does in every list, its place in groups, palettes and mark settings go along. No look changes but in name. */
function planRenumberChannel(sheet: ShowSheet, { channel: from, to }: RenumberChannelEdit): Step[] {
  const { show } = sheet;
  const channel = show.channels.find(({ number }) => number === from);
  if (!channel) throw new ShowError(`Light ${from} is not in the rig`);
  if (show.channels.some(({ number }) => number === to))
    throw new ShowError(`Light ${to} is in the rig already; choose a number that is free`);
  const coming = entryChange(show, "channels", String(to), { ...channel, number: to });
  return [
    ...coming,
    ...beside(sheet, from, to),
    ...[...sheet.lists.values()].flatMap((list) => inList(list, from, to)),
    ...entryChange(coming.reduce(applyEntry, show), "channels", String(from), undefined),
  ];
}

/** The light's places in groups, palettes and held looks under the new number. */
function beside({ show }: ShowSheet, from: number, to: number): EntryStep[] {
  const groups = show.groups
    .filter((group) => group.channels.includes(from))
    .flatMap((group) =>
      entryChange(show, "groups", group.id, { ...group, channels: group.channels.map((each) => (each === from ? to : each)) }),
    );
  const palettes = show.palettes
    .filter((palette) => palette.values.some((value) => value.channel === from))
    .flatMap((palette) => {
      const values = palette.values.map((value) => (value.channel === from ? { ...value, channel: to } : value));
      return entryChange(show, "palettes", palette.id, { ...palette, values });
    });
  const looks = (show.heldLooks ?? []).flatMap((look) => {
    const { [from]: own, ...others } = look.values;
    return own === undefined ? [] : entryChange(show, "heldLooks", look.id, { ...look, values: { ...others, [to]: own } });
  });
  return [...groups, ...palettes, ...looks];
}

/** The light's moves and mark settings of one list under the new number. */
function inList(list: ListSheet, from: number, to: number): Step[] {
  const moves = [...(list.keys.byChannel.get(from)?.values() ?? [])].flatMap((key) => {
    const column = columnOf(list, key);
    return column.rows.flatMap((row, index): MoveStep[] => {
      const move = column.specs[index];
      if (move === undefined) return [];
      const placed = { part: column.parts[index] ?? 1, move };
      const at = { at: "move" as const, list: list.id, cue: cueAt(list, row).number, attribute: key.attribute.id };
      return [
        { ...at, channel: from, before: placed, after: undefined },
        { ...at, channel: to, before: undefined, after: placed },
      ];
    });
  });
  const marks = list.cues.flatMap((cue): Step[] => {
    const { [String(from)]: own, ...others } = cue.mark?.channels ?? {};
    return own === undefined ? [] : [headStep(list, cue, { ...headOf(cue), mark: { ...cue.mark, channels: { ...others, [to]: own } } })];
  });
  return [...moves, ...marks, ...wavesRenamed(list, from, to)];
}

/**
 * Calling a light by another number.
 * Cues, groups, palettes, held looks and marks follow in the same edit. Refused where the number is taken.
 */
export const renumberChannel = defineEdit(schema, {
  plan: planRenumberChannel,
  words: ({ channel, to }) => `Light ${channel} becomes ${to}`,
});
