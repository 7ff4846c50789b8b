import { applyPatch, structuredPatch } from "diff";

/**
 * What two people made of one text, put together: `mine` with what `theirs` changed elsewhere. Null where both changed the same lines, or lines without one between them;
 * then somebody has to look. `base` is what both began with.
 */
export function mergeTexts(base: string, theirs: string, mine: string): string | null {
  if (theirs === base || mine === theirs) return mine;
  if (mine === base) return theirs;
  const merged = applyPatch(theirs, structuredPatch("", "", base, mine, "", "", { context: 1 }));
  return merged === false ? null : merged;
}
