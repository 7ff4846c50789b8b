import type { EditInput } from "@zm/core";
import { type Draft, useChoice } from "./choice.ts";

/**
 * Makes what is considered. It is dropped at once, so that a second press makes nothing; where it is refused it comes back, unless something else has been begun
 * meanwhile: `onBack` brings the text that it was typed with.
 */
export async function makeConsidered(
  draft: Draft,
  makeEdits: (edits: readonly EditInput[]) => Promise<boolean>,
  onBack: () => void = () => undefined,
): Promise<void> {
  const { operation } = useChoice.getState();
  useChoice.setState({ draft: null, operation: null });
  if ((await makeEdits(draft.edits)) || useChoice.getState().draft !== null) return;
  useChoice.setState({ draft, operation });
  onBack();
}
