const NAME = "zealous-mark-theme";
export type Theme = "desk" | "foolscap";

/** The theme that this window stands in. */
export function currentTheme(): Theme {
  return document.documentElement.dataset["theme"] === "foolscap" ? "foolscap" : "desk";
}

/** Puts on a theme and keeps it for the next time. */
export function setTheme(theme: Theme): void {
  document.documentElement.dataset["theme"] = theme;
  localStorage.setItem(NAME, theme);
}

/** Puts on the theme that was kept. */
export function applyStoredTheme(): void {
  if (localStorage.getItem(NAME) === "foolscap") setTheme("foolscap");
}
