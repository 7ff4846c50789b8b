import { z } from "zod";
import { keepInWindow, readKeptInWindow } from "../shared/keptInWindow.ts";

/** What is being written in a scene and is not made yet, with the text that it began with. */
const keptWriting = z.object({ begun: z.string(), text: z.string() });
export type KeptWriting = z.infer<typeof keptWriting>;

/** By the first line of its scene, what is written in a show and not made. */
const keptWritings = z.record(z.string(), keptWriting);

const nameOf = (show: number): string => `zealous-mark.writing.${show}`;

/** By the first line of its scene, what was written in this window and is not made yet. */
export function readKept(show: number): Readonly<Record<string, KeptWriting>> {
  return readKeptInWindow(nameOf(show), keptWritings) ?? {};
}

/** Keeps what is being written in a scene, so that a change of view or a reload loses nothing; null when it is made or thrown away. */
export function keepWriting(show: number, first: string, writing: KeptWriting | null): void {
  const { [first]: _, ...others } = readKept(show);
  keepInWindow(nameOf(show), writing ? { ...others, [first]: writing } : others);
}
