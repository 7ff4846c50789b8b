import { create } from "zustand";

/** Whether the shelf is open, which page of all strips is in sight, and which page of one's own is in its place; null: none. */
interface ShelfState {
  readonly open: boolean;
  readonly page: number;
  /** The id of a page that somebody made. */
  readonly own: string | null;
  /** Whether the places of that page can be moved and taken off. */
  readonly arranging: boolean;
}

export const useShelf = create<ShelfState>(() => ({ open: false, page: 0, own: null, arranging: false }));

export function toggleShelf(): void {
  useShelf.setState(({ open }) => ({ open: !open }));
}
