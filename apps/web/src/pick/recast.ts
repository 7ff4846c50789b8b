import { type LackedAttribute, type ListSheet, type ShowSheet, isCueNumber, lackedAttributes, lightsNamed } from "@zm/core";
import type { PickStart } from "../shared/dialogs.ts";
import { whereText } from "./sentences.ts";

/** What was entered into the picker in which other lights do some lights' work. */
export interface RecastEntry {
  readonly cues: PickStart["cues"];
  /** In every list and held look. */
  readonly everywhere: boolean;
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

/** The attributes that the others cannot take over. Empty where lights cannot be read, or are not as many on both sides. */
export function lackedBy(
  sheet: ShowSheet,
  list: ListSheet,
  { cues, lights, as, where }: Pick<RecastEntry, "cues" | "lights" | "as" | "where">,
): LackedAttribute[] {
  const [from, to] = [lightsNamed(lights, sheet), lightsNamed(as, sheet)];
  if ("fault" in from || "fault" in to || !isCueNumber(cues.from) || !isCueNumber(cues.to)) return [];
  return lackedAttributes(list, { ...cues, channels: from.channels, as: to.channels, where });
}

/** The sentence that gives lights' work to others. Empty while one side names no light. */
export function recastSentence(
  { cues, everywhere, lights, as, how, where, after, map, missing }: RecastEntry,
  lacked: readonly LackedAttribute[],
): string {
  if (lights.trim() === "" || as.trim() === "") return "";
  const of = where === "look" ? "look of " : "";
  const only = after === "restore" ? " only" : "";
  const rest = missing === "" ? "" : ` ${missing}`;
  if (how === "swap") return `exchange ${of}${lights.trim()} and ${as.trim()} ${whereText(cues, everywhere)}${only}${rest}`;
  const mapped = lacked.flatMap(({ attribute }) => {
    const to = map[attribute];
    return to === undefined || to.to === "" ? [] : [`${attribute} to ${to.to}${to.turned ? " turned" : ""}`];
  });
  const mapping = mapped.length === 0 ? "" : ` map ${mapped.join(", ")}`;
  return `recast ${of}${lights.trim()} as ${as.trim()}${how === "copy" ? " too" : ""} ${whereText(cues, everywhere)}${only}${mapping}${rest}`;
}
