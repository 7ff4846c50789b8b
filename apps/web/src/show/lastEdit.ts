import type { ShowSheet, Step } from "@zm/core";
import { create } from "zustand";

/** The last edit that this window made or heard of: the show on both sides of it, so that its impact can be read until the next. */
export interface LastEdit {
  readonly show: number;
  /** The revision that it led to. */
  readonly revision: number;
  readonly words: string;
  readonly before: ShowSheet;
  readonly after: ShowSheet;
  readonly steps: readonly Step[];
}

export const useLastEdit = create<{ edit: LastEdit | null }>(() => ({ edit: null }));
