import { type ShowSheet, lightsNamed } from "@zm/core";

/** Reads lights as the line entry does: "1..6, 9, @front". An empty text is no light. */
export function readLights(text: string, sheet: ShowSheet): { channels: number[] } | { fault: string } {
  if (text.trim() === "") return { channels: [] };
  const read = lightsNamed(text, sheet);
  return "fault" in read ? { fault: read.fault.message } : read;
}
