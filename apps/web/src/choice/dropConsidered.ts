import { type Draft, useChoice } from "./choice.ts";
import { setLine } from "./lineText.ts";

/** Drops what is only considered, with the line that it came from. */
export function dropConsidered({ from }: Draft): void {
  useChoice.setState({ draft: null, operation: null });
  if (from === "line") setLine("");
}
