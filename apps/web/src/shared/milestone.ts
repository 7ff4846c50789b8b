/** Marks a moment for a caller that measures the window; only the newest of a name is kept, so that a window that is open for days holds no more. */
export function milestone(name: string): void {
  performance.clearMarks(name);
  performance.mark(name);
}
