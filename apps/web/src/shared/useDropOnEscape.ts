import { useEffect, useEffectEvent } from "react";

/** While something is dragged, Escape drops it: nothing is made, and nothing else hears the key. */
export function useDropOnEscape(dragging: boolean, onDrop: () => void): void {
  const drop = useEffectEvent(onDrop);
  useEffect(() => {
    if (!dragging) return;
    const hear = (event: KeyboardEvent): void => {
      if (event.key !== "Escape") return;
      event.preventDefault();
      event.stopPropagation();
      drop();
    };
    window.addEventListener("keydown", hear, true);
    return () => window.removeEventListener("keydown", hear, true);
  }, [dragging]);
}

/** True for a pointer that was let go outside an element: what was dragged is dropped then. */
export function isOutside({ clientX, clientY }: { clientX: number; clientY: number }, element: Element | null): boolean {
  const box = element?.getBoundingClientRect();
  return !box || clientX < box.left || clientX > box.right || clientY < box.top || clientY > box.bottom;
}
