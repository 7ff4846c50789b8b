import { ForbiddenException } from "@nestjs/common";
import { type Person, mayDo, notAllowedWords, rightFor } from "@zm/protocol";

/** Holds edits against who makes them: whoever writes notes alone may bring notes alone. Throws ForbiddenException; then nothing has changed. */
export function expectMayEdit(who: Person, edits: readonly object[]): void {
  const right = rightFor(edits);
  if (!mayDo(who, right)) throw new ForbiddenException(`${notAllowedWords(who, right)} Nothing was changed.`);
}
