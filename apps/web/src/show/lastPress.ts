import { create } from "zustand";

/** What was pressed on what runs since the last edit: in words where a line said it, empty for a button; null for nothing. It stands where the last edit is told. */
export const useLastPress = create<{ words: string | null }>(() => ({ words: null }));
