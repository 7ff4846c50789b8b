import type { Script } from "../show/schema.ts";
import { shortened } from "../show/words.ts";

/** Letters of a scene's name. */
const LONGEST_SCENE = 60;

/**
 * The heading of the play under which a line stands; undefined before the first, and for a line that is not there.
 * As a cue's scene has it: at most so many letters.
 */
export function headingOver(script: Script, line: string): string | undefined {
  const at = script.lines.findIndex(({ id }) => id === line);
  const heading = script.lines.slice(0, at + 1).findLast((each) => each.heading);
  return heading && shortened(heading.text, LONGEST_SCENE);
}
