import { type Show, keyName } from "@zm/core";
import type { Lens } from "../choice/sheetView.ts";

/** One column of the sheet: a light, one attribute of an opened light, or a folded group of lights. */
export interface ScoreColumn {
  /** The light by its number, or light and attribute such as "12.pan"; unlike that of any other column. */
  readonly id: string;
  readonly x: number;
  readonly width: number;
  /** The light; the first of the group where it is folded. */
  readonly channel: number;
  /** The one attribute that the column shows. */
  readonly attribute?: string;
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
/** A lane left of the lights, in which the thread of another list runs. */
export interface ScoreLane {
  readonly list: string;
  readonly label: string;
  readonly x: number;
}
export interface ScoreLayout {
  readonly lanes: readonly ScoreLane[];
  readonly columns: readonly ScoreColumn[];
  readonly headings: readonly ScoreHeading[];
  readonly width: number;
}

/** What decides which columns there are beside the rig and the lens. */
export interface ColumnWishes {
  /** The ids of the groups that are folded. */
  readonly folded: ReadonlySet<string>;
  /** The lights that are opened into their attributes. */
  readonly open: ReadonlySet<number>;
  /** Only these lights are shown; null: all. */
  readonly only: ReadonlySet<number> | null;
  /** The lists that the cues start and let go, each in a lane of its own. */
  readonly lists?: readonly { readonly id: string; readonly label: string }[] | undefined;
}

const GAP = 14;
/** How wide a lane is. */
const LANE = 24;
const FOLDED = 64;
const ATTRIBUTE = 62;
const WIDTHS: Readonly<Record<Lens, number>> = { intensity: 43, position: 76, colour: 62, beam: 84, times: 76 };

/** Columns across the sheet: the lights by groups in the show's order, each light once, the rest at the end. */
export function layoutColumns(show: Show, lens: Lens, { folded, open, only, lists = [] }: ColumnWishes): ScoreLayout {
  const columns: ScoreColumn[] = [];
  const headings: ScoreHeading[] = [];
  const types = new Map(show.channels.map(({ number, type }) => [number, type]));
  const lanes = lists.map(({ id, label }, index): ScoreLane => ({ list: id, label, x: 8 + index * LANE }));
  let x = 8 + (lanes.length > 0 ? lanes.length * LANE + GAP / 2 : 0);
  const add = (column: Omit<ScoreColumn, "x">): void => {
    columns.push({ ...column, x });
    x += column.width;
  };
  for (const group of grouped(show, lens, only)) {
    const isFolded = folded.has(group.id);
    const from = x;
    const { channels } = group;
    if (isFolded) {
      const channel = channels[0] ?? 0;
      add({ id: `@${group.id}`, width: FOLDED, channel, label: `${channels.length} lights`, channels, folded: true });
    } else {
      for (const channel of channels) {
        const own = { channel, channels: [channel], folded: false };
        const attributes = open.has(channel) ? attributesOf(show, types.get(channel), lens) : [];
        if (attributes.length < 2) add({ ...own, id: String(channel), width: WIDTHS[lens], label: String(channel) });
        else
          attributes.forEach((attribute, index) => {
            const label = index === 0 ? `${channel} ${attribute}` : attribute;
            add({ ...own, id: keyName(channel, attribute), attribute, width: Math.max(ATTRIBUTE, label.length * 7.5 + 12), label });
          });
      }
    }
    headings.push({ id: group.id, label: group.label, x: from, width: x - from, folded: isFolded, count: channels.length });
    x += GAP;
  }
  return { lanes, columns, headings, width: x };
}

/** The attributes into which a light of a type opens: those of the family that is shown; all of them where the lens shows levels or times. */
function attributesOf(show: Show, type: string | undefined, lens: Lens): string[] {
  const all = show.fixtureTypes.find(({ id }) => id === type)?.attributes ?? [];
  const whole = lens === "intensity" || lens === "times";
  return all.filter(({ family }) => whole || family === lens).map(({ id }) => id);
}

/** The groups that the sheet shows; the lens of a family leaves out lights that have nothing of it. */
function grouped(show: Show, lens: Lens, only: ReadonlySet<number> | null): { id: string; label: string; channels: number[] }[] {
  const able = new Set(
    show.fixtureTypes.filter((type) => type.attributes.some((attribute) => attribute.family === lens)).map((type) => type.id),
  );
  const all = lens === "intensity" || lens === "times";
  const wanted = show.channels.filter(({ number, type }) => (all || able.has(type)) && (only?.has(number) ?? true));
  const shown = new Set(wanted.map(({ number }) => number));
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

/** Where a light stands across the sheet, by its attribute where it is opened; -1 where it is not shown. */
export function placeOfLight(layout: ScoreLayout, channel: number | null, attribute: string | null = null): number {
  if (channel === null) return -1;
  const exact = attribute === null ? -1 : layout.columns.findIndex(({ id }) => id === keyName(channel, attribute));
  return exact >= 0 ? exact : layout.columns.findIndex(({ channels }) => channels.includes(channel));
}

/** What all columns between two places stand for, whichever comes first: lights, and the attributes where they are all of one opened light. */
export function columnsBetween(layout: ScoreLayout, a: number, b: number): { channels: readonly number[]; attributes: string[] | null } {
  const chosen = layout.columns.slice(Math.min(a, b), Math.max(a, b) + 1);
  const attributes = chosen.flatMap(({ attribute }) => attribute ?? []);
  const channels = [...new Set(chosen.flatMap((column) => column.channels))];
  const ofOne = attributes.length === chosen.length && channels.length === 1;
  return { channels: chosen.length === 1 ? (chosen[0]?.channels ?? []) : channels, attributes: ofOne ? attributes : null };
}

/** The lights of all columns between two, whichever comes first. */
export function channelsBetween(layout: ScoreLayout, a: number, b: number): readonly number[] {
  return columnsBetween(layout, placeOfLight(layout, a), placeOfLight(layout, b)).channels;
}
