import { type Trigger, readTime } from "@zm/core";

/** Reads what fires a cue as the spine writes it: "end + 2 s", "go + 1:30"; null for nothing, which is a press. Undefined for what says neither. */
export function readTrigger(text: string): Trigger | null | undefined {
  const plain = text.trim().toLowerCase();
  if (plain === "" || plain === "on go") return null;
  const found = /^(end|go)\s*\+?\s*(.*)$/.exec(plain);
  const time = found?.[2] === "" ? { seconds: 0 } : readTime(found?.[2] ?? "");
  if (!found || !time || ("delay" in time && time.delay !== undefined)) return undefined;
  return { type: "follow", from: found[1] === "go" ? "go" : "complete", after: time.seconds };
}
