import { inAscii } from "../ascii/plainText.ts";

/** A title as a name for a file, in letters and digits that every machine can store. */
export function fileName(title: string): string {
  return (
    inAscii(title)
      .replace(/[^A-Za-z0-9]+/g, "-")
      .replace(/^-|-$/g, "") || "show"
  );
}
