import { create } from "zustand";

/** Whether the fields of a wave are in sight: most looks need none. */
export const useWavesOpen = create<{ readonly open: boolean }>(() => ({ open: false }));
