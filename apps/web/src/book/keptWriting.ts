import { z } from "zod";

/** What is being written in a scene and is not made yet, with the text that it began with. */
const keptWriting = z.object({ begun: z.string(), text: z.string() });
export type KeptWriting = z.infer<typeof keptWriting>;

/** By the first line of its scene, what is written in a show and not made. */
const keptWritings = z.record(z.string(), keptWriting);

const nameOf = (show: number): string => `zealous-mark.writing.${show}`;

/** By the first line of its scene, what was written in this window and is not made yet. */
export function readKept(show: number): Readonly<Record<string, KeptWriting>> {
  try {
    return keptWritings.parse(JSON.parse(sessionStorage.getItem(nameOf(show)) ?? "{}"));
  } catch {
    // Nothing is kept here, or what is kept was written by something else.
    return {};
  }
}

/** Keeps what is being written in a scene, so that a change of view or a reload loses nothing; null when it is made or thrown away. */
export function keepWriting(show: number, first: string, writing: KeptWriting | null): void {
  const { [first]: _, ...others } = readKept(show);
  try {
    sessionStorage.setItem(nameOf(show), JSON.stringify(writing ? { ...others, [first]: writing } : others));
  } catch {
    // Where the browser keeps nothing it is written on without.
  }
}
