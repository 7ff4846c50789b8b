import { readTime } from "@zm/core";

/** What is told of a text that is no time. */
export const NO_TIME = "is not a time; write seconds such as 3 or 2.5, 1:30, or with a delay 2+1";

/** Reads a time as typed into a field that has no delay: null for an emptied field, undefined for what is no time. Seconds. */
export function readSeconds(text: string): number | null | undefined {
  if (text.trim() === "") return null;
  const time = readTime(text);
  return time === undefined || time.delay !== undefined ? undefined : time.seconds;
}
