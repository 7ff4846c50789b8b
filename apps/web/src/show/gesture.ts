const NAME = "zealous-mark-window";

/** The name of this window, kept over a reload, so that the server can tell whose step an undo would take back. */
export const WINDOW = windowName();

function windowName(): string {
  const made = `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 12)}`;
  // Outside a page, as in tests, nothing is kept.
  if (typeof sessionStorage === "undefined") return made;
  const known = sessionStorage.getItem(NAME) ?? made;
  sessionStorage.setItem(NAME, known);
  return known;
}

let gesture = 0;

/** The gesture that is going on: everything since the pointer or a key went down last. What one gesture does is one step of undo. */
export function currentGesture(): string {
  return `${WINDOW.slice(0, 8)}-${gesture}`;
}

/** Begins a new gesture whenever the pointer or a key goes down; a key that repeats while it is held is one. */
export function watchGestures(): () => void {
  const begin = (event: Event): void => {
    if (event instanceof KeyboardEvent && event.repeat) return;
    gesture += 1;
  };
  document.addEventListener("pointerdown", begin, true);
  document.addEventListener("keydown", begin, true);
  return () => {
    document.removeEventListener("pointerdown", begin, true);
    document.removeEventListener("keydown", begin, true);
  };
}
