/** What went wrong, in the words of whoever threw it. */
export function errorMessage(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
