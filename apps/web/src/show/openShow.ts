import type { ShowSheet } from "@zm/core";

/** The open show as this window has it. */
export interface OpenShow {
  readonly id: number;
  readonly revision: number;
  readonly sheet: ShowSheet;
}

/** The name under which a window keeps a show. */
export const showKey = (id: number): readonly unknown[] => ["show", id];
