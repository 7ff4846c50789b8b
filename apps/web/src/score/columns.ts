import type { Show } from "@zm/core";
import type { Lens } from "../choice/choice.ts";

/** One column of the sheet: a light, or a folded group of lights. */
export interface ScoreColumn {
  readonly x: number;
  readonly width: number;
  /** The light; the first of the group where it is folded. */
  readonly channel: number;
  readonly label: string;
  /** All lights that the column stands for. */
  readonly channels: readonly number[];
  readonly folded: boolean;
}
/** A heading over the columns of one group. */
export interface ScoreHeading {
  readonly id: string;
  readonly label: string;
  readonly x: number;
  readonly width: number;
  readonly folded: boolean;
  readonly count: number;
}
export interface ScoreLayout {
  readonly columns: readonly ScoreColumn[];
  readonly headings: readonly ScoreHeading[];
  readonly width: number;
}

const GAP = 14;
const FOLDED = 64;
const WIDTHS: Readonly<Record<Lens, number>> = { intensity: 43, position: 76, colour: 62, beam: 62, times: 68 };

/** Columns across the sheet: the lights by groups in the show's order, each light once, the rest at the end. */
export function layoutColumns(show: Show, lens: Lens, folded: ReadonlySet<string>): ScoreLayout {
  const width = WIDTHS[lens];
  const columns: ScoreColumn[] = [];
  const headings: ScoreHeading[] = [];
  let x = 8;
  for (const group of grouped(show, lens)) {
    const isFolded = folded.has(group.id);
    const from = x;
    if (isFolded) {
      const channel = group.channels[0] ?? 0;
      columns.push({ x, width: FOLDED, channel, label: `${group.channels.length} lights`, channels: group.channels, folded: true });
      x += FOLDED;
    } else {
      for (const channel of group.channels) {
        columns.push({ x, width, channel, label: String(channel), channels: [channel], folded: false });
        x += width;
      }
    }
    headings.push({ id: group.id, label: group.label, x: from, width: x - from, folded: isFolded, count: group.channels.length });
    x += GAP;
  }
  return { columns, headings, width: x };
}

/** The groups that the sheet shows; the lens of a family leaves out lights that have nothing of it. */
function grouped(show: Show, lens: Lens): { id: string; label: string; channels: number[] }[] {
  const able = new Set(
    show.fixtureTypes.filter((type) => type.attributes.some((attribute) => attribute.family === lens)).map((type) => type.id),
  );
  const all = lens === "intensity" || lens === "times";
  const shown = new Set(show.channels.filter((channel) => all || able.has(channel.type)).map((channel) => channel.number));
  const groups = show.groups.map((group) => {
    const channels = group.channels.filter((channel) => shown.delete(channel));
    return { id: group.id, label: group.label, channels };
  });
  const rest = show.channels.map((channel) => channel.number).filter((channel) => shown.has(channel));
  return [...groups, { id: "", label: "Others", channels: rest }].filter((group) => group.channels.length > 0);
}

/** The column at a place across the sheet, the nearest when it falls between two. */
export function columnAt(layout: ScoreLayout, x: number): number {
  const index = layout.columns.findIndex((column) => x < column.x + column.width);
  return index < 0 ? layout.columns.length - 1 : index;
}

/** The lights of all columns between two, whichever comes first. */
export function channelsBetween(layout: ScoreLayout, a: number, b: number): number[] {
  const at = (channel: number): number => layout.columns.findIndex((column) => column.channels.includes(channel));
  const [from, to] = [at(a), at(b)].sort((left, right) => left - right);
  return layout.columns.slice(from, (to ?? 0) + 1).flatMap((column) => column.channels);
}
