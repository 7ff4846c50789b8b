import type { Show } from "./schema.ts";

/** A show before anything is in it: no rig, one list without cues. */
export function emptyShow(title: string): Show {
  return {
    format: "zealous-mark/show",
    version: 1,
    title,
    fixtureTypes: [],
    channels: [],
    groups: [],
    palettes: [],
    paces: [],
    lists: [{ id: "main", label: "Main", cues: [] }],
  };
}
