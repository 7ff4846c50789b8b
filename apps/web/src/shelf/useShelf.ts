import { create } from "zustand";

/** Whether the shelf is open, and which page of it is in sight. */
export const useShelf = create<{ readonly open: boolean; readonly page: number }>(() => ({ open: false, page: 0 }));

export function toggleShelf(): void {
  useShelf.setState(({ open }) => ({ open: !open }));
}
