/** The theme's colours as the canvas needs them. */
export interface Ink {
  text: string;
  quiet: string;
  rule: string;
  sheet: string;
  thread: string;
  symbol: string;
  fall: string;
  brass: string;
  glass: string;
  coral: string;
  chosen: string;
  row: string;
}

/** Reads the theme that an element stands in. */
export function inkOf(element: Element): Ink {
  const style = getComputedStyle(element);
  const token = (name: string): string => style.getPropertyValue(name).trim();
  return {
    text: token("--color-base-content"),
    quiet: token("--zm-quiet"),
    rule: token("--zm-rule"),
    sheet: token("--zm-sheet"),
    thread: token("--zm-thread"),
    symbol: token("--zm-symbol"),
    fall: token("--zm-fall"),
    brass: token("--color-primary"),
    glass: token("--color-secondary"),
    coral: token("--color-error"),
    chosen: token("--zm-chosen"),
    row: token("--zm-row"),
  };
}
