import { readTimeFan } from "@zm/core";

/** Reads seconds for lights as typed: a number, or a fan such as "0~5". Null for nothing, undefined for what does not read. */
export function readSpread(text: string): number | string | null | undefined {
  return text.trim() === "" ? null : readTimeFan(text.replace(/\s*~\s*/g, "~"));
}
