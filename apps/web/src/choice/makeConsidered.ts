import type { EditInput } from "@zm/core";
import { type Draft, useChoice } from "./choice.ts";

/**
 * Makes what is considered. It is dropped at once, so that a second press makes nothing; where it is refused it comes back, unless something else has been begun
 * meanwhile. Gives back whether it was made.
 */
export async function makeConsidered(draft: Draft, makeEdits: (edits: readonly EditInput[]) => Promise<boolean>): Promise<boolean> {
  const { operation } = useChoice.getState();
  useChoice.setState({ draft: null, operation: null });
  const made = await makeEdits(draft.edits);
  if (!made && useChoice.getState().draft === null) useChoice.setState({ draft, operation });
  return made;
}
