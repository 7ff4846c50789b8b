import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { entrySchemas } from "../../show/schema.ts";
import type { ListSheet, ShowSheet } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import { channelNumber, used } from "../plan/fields.ts";
import { entryChange } from "../plan/entryChange.ts";
import { headStep } from "../plan/headStep.ts";
import { wavesRenamed } from "../plan/partWaves.ts";
import { storeStep } from "../plan/moveSteps.ts";
import { planSetEntry, removal } from "../plan/setEntry.ts";
import { cuesOf, eachMove } from "../plan/storedMoves.ts";
import type { Step } from "../steps/step.ts";
import { defineEdit } from "./kind.ts";
import { manyWords } from "./kindWords.ts";

/**
 * Making a light of the rig this: its type, label, patch and place.
 * A new number adds a light. Refused where what stands in cues, palettes or held looks would not fit its type any more.
 */
export const setChannel = defineEdit(z.strictObject({ op: z.literal("setChannel"), channel: entrySchemas.channel }), {
  plan: (sheet, { channel }) => planSetEntry(sheet, "channels", String(channel.number), channel),
  words: ({ channel }) => `Light ${channel.number} set`,
  manyWords: (edits) => `${manyWords(edits, "lights", ({ channel }) => String(channel.number))} set`,
});

const removeSchema = z.strictObject({ op: z.literal("removeChannel"), channel: channelNumber, used });

/** The steps that take a channel away, with `drop` everything that speaks of it too: moves, mark settings, places in groups and palettes. */
function planRemoveChannel(sheet: ShowSheet, edit: z.infer<typeof removeSchema>): Step[] {
  const { show } = sheet;
  const taken = removal(show, "channels", String(edit.channel));
  const users = eachMove(sheet, (key) => key.channel === edit.channel);
  const groups = show.groups.filter((group) => group.channels.includes(edit.channel));
  const palettes = show.palettes.filter((palette) => palette.values.some((value) => value.channel === edit.channel));
  const marks = [...sheet.lists.values()].flatMap((list) => markSteps(list, edit.channel));
  const waves = [...sheet.lists.values()].flatMap((list) => wavesRenamed(list, edit.channel, null));
  const looks = (show.heldLooks ?? []).filter(({ values }) => values[edit.channel]);
  const uses = [
    ...(users.length > 0 ? [`${users.length} moves in ${cuesOf(users)}`] : []),
    ...groups.map((group) => `group "${group.id}"`),
    ...palettes.map((palette) => `palette "${palette.id}"`),
    ...(waves.length > 0 ? [`waves in ${waves.length} parts`] : []),
    ...looks.map((look) => `held look "${look.id}"`),
    ...(marks.length > 0 ? [`the mark settings of ${marks.length} cues`] : []),
  ];
  if (uses.length > 0 && edit.used === "refuse")
    throw new ShowError(`Light ${edit.channel} is used by ${uses.join(", ")}; take it out of those first, or take all that away with it`);
  return [
    ...users.flatMap(({ list, key, row }) => storeStep(list, key, row, undefined)),
    ...marks,
    ...waves,
    ...looks.flatMap((look) => {
      const { [edit.channel]: _gone, ...values } = look.values;
      return entryChange(show, "heldLooks", look.id, { ...look, values });
    }),
    ...groups.flatMap((group) =>
      entryChange(show, "groups", group.id, { ...group, channels: group.channels.filter((each) => each !== edit.channel) }),
    ),
    ...palettes.flatMap((palette) =>
      entryChange(show, "palettes", palette.id, { ...palette, values: palette.values.filter((value) => value.channel !== edit.channel) }),
    ),
    ...taken,
  ];
}

/** The steps that take a light out of the mark settings of every cue. */
function markSteps(list: ListSheet, channel: number): Step[] {
  return list.cues.flatMap((cue): Step[] => {
    if (!cue.mark?.channels?.[channel]) return [];
    const { [channel]: _gone, ...channels } = cue.mark.channels;
    return [headStep(list, cue, { ...headOf(cue), mark: { ...cue.mark, channels } })];
  });
}

/**
 * Taking a light out of the rig, and what becomes of all that speaks of it.
 * Refused while cues, groups, palettes or held looks speak of it, unless they are to lose it too.
 */
export const removeChannel = defineEdit(removeSchema, {
  plan: planRemoveChannel,
  words: ({ channel }) => `Light ${channel} removed`,
  manyWords: (edits) => `${manyWords(edits, "lights", ({ channel }) => String(channel))} removed`,
});
