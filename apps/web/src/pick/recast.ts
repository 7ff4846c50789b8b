import { type Key, type ListSheet, type ShowSheet, columnOf, cueOrder, entryAt, lightsNamed } from "@zm/core";
import type { PickStart } from "../shared/dialogs.ts";
import { cuesText } from "./sentences.ts";

/** What was entered into the picker in which other lights do some lights' work. */
export interface RecastEntry {
  readonly cues: PickStart["cues"];
  readonly lights: string;
  readonly as: string;
  /** What becomes of those who did it: they stay dark, go on doing it too, or do the others' work. */
  readonly how: "replace" | "copy" | "swap";
  /** What they show, also what tracked in, or only what is stored. */
  readonly where: "look" | "moves";
  readonly after: "restore" | "track";
  /** By attribute that the others lack: the attribute that stands for it, turned round or not; empty: it does not go along. */
  readonly map: Readonly<Record<string, { readonly to: string; readonly turned: boolean }>>;
  /** What becomes of what does not go along; empty: it is asked. */
  readonly missing: "" | "leave" | "drop";
}

/** An attribute that lights do something with and the others lack: in how many of the cues, and what the others have. */
export interface Lacked {
  readonly attribute: string;
  readonly cues: number;
  readonly has: readonly string[];
}

/** The attributes that the others cannot take over, by name. Empty where lights cannot be read, or are not as many on both sides. */
export function lackedBy(
  sheet: ShowSheet,
  list: ListSheet,
  { cues, lights, as, where }: Pick<RecastEntry, "cues" | "lights" | "as" | "where">,
): Lacked[] {
  const [from, to] = [lightsNamed(lights, sheet), lightsNamed(as, sheet)];
  if ("fault" in from || "fault" in to || from.channels.length !== to.channels.length) return [];
  const [least, most] = [cueOrder(cues.from), cueOrder(cues.to)];
  const inRange = list.order.flatMap((order, row) => (order >= least && order <= most ? [row] : []));
  const stored = (key: Key, row: number): boolean => columnOf(list, key).rows.includes(row);
  const found = new Map<string, { rows: Set<number>; has: Set<string> }>();
  from.channels.forEach((channel, index) => {
    const other = sheet.keys.byChannel.get(to.channels[index] ?? -1);
    for (const [attribute, key] of sheet.keys.byChannel.get(channel) ?? []) {
      if (!other || other.has(attribute)) continue;
      const does = (row: number): boolean => (where === "look" ? !Number.isNaN(entryAt(list, key, row).value) : stored(key, row));
      const rows = inRange.filter(does);
      if (rows.length === 0) continue;
      const known = found.get(attribute) ?? { rows: new Set<number>(), has: new Set<string>() };
      for (const row of rows) known.rows.add(row);
      for (const [name, { attribute: theirs }] of other) if (theirs.family !== "intensity") known.has.add(name);
      found.set(attribute, known);
    }
  });
  return [...found].map(([attribute, { rows, has }]) => ({ attribute, cues: rows.size, has: [...has] }));
}

/** The sentence that gives lights' work to others. Empty while one side names no light. */
export function recastSentence({ cues, lights, as, how, where, after, map, missing }: RecastEntry, lacked: readonly Lacked[]): string {
  if (lights.trim() === "" || as.trim() === "") return "";
  const of = where === "look" ? "look of " : "";
  const only = after === "restore" ? " only" : "";
  const rest = missing === "" ? "" : ` ${missing}`;
  if (how === "swap") return `exchange ${of}${lights.trim()} and ${as.trim()} in ${cuesText(cues)}${only}${rest}`;
  const mapped = lacked.flatMap(({ attribute }) => {
    const to = map[attribute];
    return to === undefined || to.to === "" ? [] : [`${attribute} to ${to.to}${to.turned ? " turned" : ""}`];
  });
  const mapping = mapped.length === 0 ? "" : ` map ${mapped.join(", ")}`;
  return `recast ${of}${lights.trim()} as ${as.trim()}${how === "copy" ? " too" : ""} in ${cuesText(cues)}${only}${mapping}${rest}`;
}
