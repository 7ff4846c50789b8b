import { notify } from "./notices.ts";

export const NO_TIME = "is not a time; write seconds such as 3 or 2.5, or 1:30";

/** Reads a time in seconds as typed: "3", "2,5", "1:30". Null clears; undefined, after telling the user, for anything else. */
export function readSeconds(text: string): number | null | undefined {
  const plain = text.trim().replace(",", ".").replace(/\s*s$/, "");
  if (plain === "") return null;
  const minutes = /^(\d+):(\d{1,2}(?:\.\d+)?)$/.exec(plain);
  const value = minutes ? Number(minutes[1]) * 60 + Number(minutes[2]) : Number(plain);
  if (Number.isFinite(value) && value >= 0 && value <= 86_400) return value;
  notify(`"${text}" ${NO_TIME}`, "trouble");
  return undefined;
}
