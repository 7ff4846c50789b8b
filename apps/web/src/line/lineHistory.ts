const NAME = "zealous-mark-lines";
const MOST = 60;

/** The lines that were entered in this browser, the newest first. */
export function enteredLines(): string[] {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(NAME) ?? "[]");
    return Array.isArray(stored) ? stored.filter((line) => typeof line === "string") : [];
  } catch {
    return [];
  }
}

/** Keeps a line that was entered; one that was entered before moves to the front. */
export function keepLine(line: string): void {
  localStorage.setItem(NAME, JSON.stringify([line, ...enteredLines().filter((each) => each !== line)].slice(0, MOST)));
}
