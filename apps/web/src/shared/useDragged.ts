import { useDrag } from "@use-gesture/react";
import { useRef, useState } from "react";
import { useDropOnEscape } from "./useDropOnEscape.ts";

/** Where the pointer is in the window, pixels. */
export interface PointerPlace {
  readonly clientX: number;
  readonly clientY: number;
}

/** A pointer that is pressed, and what it was pressed on. */
export interface Drag {
  readonly from: PointerPlace;
  readonly at: PointerPlace;
  /** It has moved by more than it may slip since it was pressed. */
  readonly moved: boolean;
  readonly shiftKey: boolean;
  readonly altKey: boolean;
  readonly target: Element;
}

interface DragWork<Grip, Args extends readonly unknown[]> {
  /** What is taken hold of with a press; null: nothing, and the pointer drags nothing. `args` are those that the element was bound with. */
  readonly onBegin: (press: Drag, ...args: Args) => Grip | null;
  readonly onMove: (grip: Grip, drag: Drag) => void;
  /** Let go. */
  readonly onEnd?: (grip: Grip, drag: Drag) => void;
  /** Dropped with Escape, or taken away by the system: nothing is made. */
  readonly onDrop?: (grip: Grip) => void;
  /** A pointer that has moved by fewer pixels since it was pressed drags nothing. */
  readonly slip?: number;
  /** The element may be drawn anew meanwhile, so the pointer is followed through the window. */
  readonly throughWindow?: boolean;
}

/** What an element is given so that it can be dragged. */
export type DragHandlers = ReturnType<ReturnType<typeof useDrag>>;

/** Something that is dragged with the pointer: what each element is bound with, and whether it is under way. Escape drops it, and nothing else hears the key. */
export function useDragged<Grip, Args extends readonly unknown[] = []>(work: DragWork<Grip, Args>) {
  const held = useRef<{ readonly grip: Grip; moved: boolean } | null>(null);
  const [dragging, setDragging] = useState(false);
  const drop = (): void => {
    const own = held.current;
    held.current = null;
    setDragging(false);
    if (own) work.onDrop?.(own.grip);
  };
  useDropOnEscape(dragging, drop);
  const made = useDrag(
    ({ args, currentTarget, event, first, initial, last, shiftKey, altKey, xy }) => {
      if (!(currentTarget instanceof Element)) return;
      const from = { clientX: initial[0], clientY: initial[1] };
      const at = { clientX: xy[0], clientY: xy[1] };
      const drag = { from, at, shiftKey, altKey, target: currentTarget };
      if (first) {
        const grip = work.onBegin({ ...drag, moved: false }, ...args);
        held.current = grip === null ? null : { grip, moved: false };
        setDragging(grip !== null);
        return;
      }
      const own = held.current;
      if (!own) return;
      if (event.type === "pointercancel") return drop();
      own.moved ||= Math.hypot(at.clientX - from.clientX, at.clientY - from.clientY) >= (work.slip ?? 0);
      const { grip, moved } = own;
      if (!last) {
        if (moved) work.onMove(grip, { ...drag, moved });
        return;
      }
      held.current = null;
      setDragging(false);
      work.onEnd?.(grip, { ...drag, moved });
    },
    { pointer: { keys: false, capture: !work.throughWindow } },
  );
  // It stays the same function, so that what is bound with it is not drawn anew for it.
  const [bind] = useState(
    () =>
      (...args: Args): DragHandlers =>
        made(...args),
  );
  return { bind, dragging };
}
