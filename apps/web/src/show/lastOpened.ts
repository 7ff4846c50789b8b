const NAME = "zealous-mark-show";

/** The show that this browser opened last; 0 when it has opened none. */
export function lastOpened(): number {
  return Number(localStorage.getItem(NAME) ?? 0);
}

/** Keeps which show was opened, for the next time. */
export function rememberOpened(show: number): void {
  localStorage.setItem(NAME, String(show));
}
