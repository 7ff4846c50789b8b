import {
  type Clip,
  type EditInput,
  type ListSheet,
  ShowError,
  clipOf,
  count,
  cutEdits,
  findRow,
  movesInClip,
  pasteEdits,
  readClip,
  writeClip,
} from "@zm/core";
import { considerEdits, dropDraft } from "../choice/draft.ts";
import { NO_LIGHTS, chooseCues, chooseSpan, chosenCellAttributes, chosenCellKeys, chosenCues, useSelection } from "../choice/selection.ts";
import { type Lens, useSheetView } from "../choice/sheetView.ts";
import { notify } from "../shared/notices.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { chosenRows } from "./chosenRows.ts";
import type { SheetLines } from "../spine/lines.ts";
import { type ScoreLayout, channelsBetween } from "./columns.ts";
import type { CellPlace } from "./walk.ts";

/** The block that was copied last in this window: what is pasted where the system's clipboard may not be read. */
let copied: Clip | null = null;

/** The stored moves of the chosen cells, of the family that the lens shows; null where nothing is chosen. */
function chosenClip(list: ListSheet): Clip | null {
  const selection = useSelection.getState();
  const { lens } = useSheetView.getState();
  const { channels } = selection;
  const rows = chosenRows(list, chosenCues(selection));
  return rows && channels.length > 0 ? clipOf(list, rows, channels, keysIn(lens, chosenCellAttributes(selection))) : null;
}

function keysIn(lens: Lens, attributes: readonly string[] | undefined): Parameters<typeof clipOf>[3] {
  if (attributes) return (key) => attributes.includes(key.attribute.id);
  return lens === "times" ? undefined : (key) => key.attribute.family === lens;
}

/** Copies the chosen cells as text; null, with a word why, where they store nothing. */
export function copyCells(list: ListSheet): string | null {
  const clip = chosenClip(list);
  const moves = clip ? movesInClip(clip) : 0;
  if (!clip || moves === 0) {
    notify(clip ? "These cells store no move; a copy takes stored moves" : "Choose cells first; a copy takes the moves that they store");
    return null;
  }
  copied = clip;
  const { lens } = useSheetView.getState();
  notify(
    `${count(moves, "move")} of ${count(clip.channels.length, "light")} in ${count(clip.cues.length, "cue")} copied${lens === "times" ? "" : `, ${lens} alone`}`,
  );
  return writeClip(clip);
}

/** Copies the chosen cells and considers forgetting their moves. */
export function cutCells(list: ListSheet): string | null {
  const text = copyCells(list);
  if (text !== null && copied) consider(cutEdits(list, copied));
  return text;
}

/** Considers putting a block at the chosen cell: its text, or what was copied last in this window. */
export function pasteCells(list: ListSheet, layout: ScoreLayout, text: string | null): void {
  try {
    const clip = text === null ? copied : readClip(text);
    if (!clip) return notify("Nothing has been copied yet; choose cells and copy them first");
    const selection = useSelection.getState();
    const rows = chosenRows(list, chosenCues(selection));
    const into = placesFor(layout, selection.channels, clip);
    if (!rows || into.length === 0) return notify("Choose the cell where the block begins");
    const { edits, left } = pasteEdits(list, clip, rows.first, into);
    for (const words of left) notify(words, "trouble");
    consider(edits);
  } catch (error) {
    notify(`Nothing is pasted: ${errorMessage(error)}`, "trouble");
  }
}

/** Considers moving the chosen cells to where another cell is: forgotten here, stored there. A part under its own cue takes their moves into itself. */
export function carryCells(list: ListSheet, lines: SheetLines, layout: ScoreLayout, to: CellPlace): void {
  const clip = chosenClip(list);
  const at = layout.columns[to.column];
  const line = lines.lines[to.line];
  if (line?.kind === "off") return;
  const cue = list.cues[line?.row ?? -1]?.number;
  if (!clip || !at || cue === undefined || movesInClip(clip) === 0) return;
  const selection = useSelection.getState();
  const cues = chosenCues(selection);
  if (line?.kind === "part" && cues?.from === cue && cues.to === cue)
    return consider([
      { op: "assignPart", list: list.id, cue, keys: chosenCellKeys(selection, useSheetView.getState().lens), part: line.part },
    ]);
  try {
    const { edits, left } = pasteEdits(list, clip, findRow(list, cue), placesFor(layout, at.channels.slice(0, 1), clip));
    // What has no place there would be lost here.
    if (left.length > 0) throw new ShowError(left);
    consider([...cutEdits(list, clip), ...edits]);
  } catch (error) {
    notify(`Nothing is moved: ${errorMessage(error)}`, "trouble");
  }
}

function consider(edits: readonly EditInput[]): void {
  considerEdits("cells", edits);
}

/** The lights that a block goes to: those chosen where they are as many, else those from the first chosen one to its right. */
function placesFor(layout: ScoreLayout, channels: readonly number[], clip: Clip): readonly number[] {
  if (channels.length >= clip.channels.length) return channels.slice(0, clip.channels.length);
  const [first] = channels;
  const last = layout.columns.at(-1)?.channels.at(-1);
  return first === undefined || last === undefined ? [] : channelsBetween(layout, first, last).slice(0, clip.channels.length);
}

/** The whole of the chosen cues, of the chosen lights, or of the sheet. */
export function chooseWhole(what: "row" | "column" | "all", list: ListSheet, layout: ScoreLayout): void {
  const [first, last] = [list.cues[0]?.number, list.cues.at(-1)?.number];
  const channels = [...new Set(layout.columns.flatMap((column) => column.channels))];
  dropDraft();
  if (what !== "column") chooseSpan({ ...NO_LIGHTS, channels, channel: channels[0] ?? null, channelEnd: channels.at(-1) ?? null });
  if (what !== "row" && first !== undefined && last !== undefined) chooseCues(first, last);
}
