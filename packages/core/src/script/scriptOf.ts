import { ShowError } from "../show/errors.ts";
import type { Script, Show } from "../show/schema.ts";

/**
 * The play of a show.
 * Throws ShowError for a show without one.
 */
export function scriptOf({ script }: Show): Script {
  if (!script) throw new ShowError("The show has no script; paste or import one in the Book first");
  return script;
}
