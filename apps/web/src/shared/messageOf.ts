/** What went wrong, in the words of whoever threw it. */
export function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
