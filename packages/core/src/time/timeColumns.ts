import { PLAIN_TIMES, type PartTimes, TIMED_FAMILIES } from "../show/schema.ts";

/**
 * One column of the times of cues: how long levels rise or fall, or a family moves, or the delay of one of these.
 * As edits and questions name it.
 */
export const TIME_COLUMNS = ["up", "down", ...TIMED_FAMILIES, "upDelay", "downDelay", "positionDelay", "colourDelay", "beamDelay"] as const;
export type TimeColumn = (typeof TIME_COLUMNS)[number];

/**
 * The family of a column, and which of its times it is; undefined for a column of levels.
 * By the name of the column.
 */
export function familyOfColumn(column: TimeColumn): { family: (typeof TIMED_FAMILIES)[number]; time: "fade" | "delay" } | undefined {
  const family = TIMED_FAMILIES.find((each) => column.startsWith(each));
  return family && { family, time: column === family ? "fade" : "delay" };
}

/**
 * The time that a part stores in a column, seconds; undefined where it leaves it to another (docs/rules.md, Times).
 * Nothing is worked out here.
 */
export function storedTime(times: PartTimes, column: TimeColumn): number | undefined {
  const plain = PLAIN_TIMES.find((each) => each === column);
  if (plain) return times[plain];
  const found = familyOfColumn(column);
  return found && times[found.family]?.[found.time];
}
