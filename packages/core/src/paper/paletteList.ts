import { paletteUsers } from "../edit/index.ts";
import { cueAt } from "../sheet/sheet.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { count } from "../show/words.ts";
import { lightsOnPaper } from "./changeList.ts";
import type { Paper } from "./table.ts";

/** How many cues are named. */
const MOST = 12;

/**
 * Every palette with its values and with what uses it.
 * Palettes that nothing uses are in it and say so.
 */
export function paletteListPaper(sheet: ShowSheet): Paper {
  const { show } = sheet;
  return {
    title: "Palettes",
    subtitle: count(show.palettes.length, "palette"),
    columns: [
      { name: "palette", share: 2 },
      { name: "family", share: 1.2 },
      { name: "values", share: 5 },
      { name: "used in", share: 4 },
      { name: "by lights", share: 2 },
    ],
    rows: show.palettes.map((palette) => {
      const users = paletteUsers(sheet, palette.id);
      const cues = [...new Set(users.map(({ list, row }) => cueAt(list, row).number))];
      const values = palette.values.map(({ attribute, value, type, channel }) => {
        const whose = channel === undefined ? (type ?? "") : `light ${channel}`;
        return `${attribute} ${value}${whose ? ` (${whose})` : ""}`;
      });
      return {
        cells: [
          palette.label || palette.id,
          palette.family,
          values.length > MOST ? `${values.slice(0, MOST).join(", ")} and ${values.length - MOST} more` : values.join(", "),
          cues.length === 0
            ? "nothing"
            : `${count(cues.length, "cue")}: ${cues.slice(0, MOST).join(", ")}${cues.length > MOST ? " …" : ""}`,
          lightsOnPaper(users.map(({ key }) => key.channel)),
        ],
      };
    }),
    empty: "There is no palette yet.",
  };
}
