import type { Show } from "./schema.ts";

/**
 * A show before anything is in it: no rig, one list without cues.
 * The list has the id `main` and the label "Main"; the document is of the newest version.
 * It is the state in which a new show opens and its empty views say what comes first.
 */
export function emptyShow(title: string): Show {
  return {
    format: "zealous-mark/show",
    version: 2,
    title,
    fixtureTypes: [],
    channels: [],
    groups: [],
    palettes: [],
    paces: [],
    lists: [{ id: "main", label: "Main", cues: [] }],
  };
}
