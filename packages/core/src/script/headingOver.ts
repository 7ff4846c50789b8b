import { cached } from "../show/cached.ts";
import { LONGEST_SCENE } from "../show/limits.ts";
import type { Script } from "../show/schema.ts";
import { shortened } from "../show/words.ts";

/** The heading over each line, by its id; lines before the first heading are not in it. */
const headings = cached((script: Script): ReadonlyMap<string, string> => {
  const found = new Map<string, string>();
  let over: string | undefined;
  for (const { id, heading, text } of script.lines) {
    if (heading) over = shortened(text, LONGEST_SCENE);
    if (over !== undefined) found.set(id, over);
  }
  return found;
});

/**
 * The heading of the play under which a line stands; undefined before the first, and for a line that is not there.
 * As a cue's scene has it: at most so many letters.
 */
export function headingOver(script: Script, line: string): string | undefined {
  return headings(script).get(line);
}
