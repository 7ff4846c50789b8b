import type { z } from "zod";

/** What this window keeps under a name, so that a reload loses nothing; undefined where nothing is kept, or it was written by something else. */
export function readKeptInWindow<T>(name: string, schema: z.ZodType<T>): T | undefined {
  try {
    return schema.parse(JSON.parse(sessionStorage.getItem(name) ?? ""));
  } catch {
    return undefined;
  }
}

/** Keeps something under a name for as long as the window is there. Where the browser keeps nothing it is gone on without. */
export function keepInWindow(name: string, value: unknown): void {
  try {
    sessionStorage.setItem(name, JSON.stringify(value));
  } catch {
    // A private window, or a full one: what is written is still on the screen.
  }
}
