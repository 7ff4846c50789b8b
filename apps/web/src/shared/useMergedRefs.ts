import { type RefCallback, type RefObject, useCallback } from "react";

/** One ref for an element that two want to know of. */
export function useMergedRefs<E extends HTMLElement>(ref: RefObject<E | null>, other: RefCallback<HTMLElement>): RefCallback<E> {
  return useCallback(
    (element: E | null) => {
      ref.current = element;
      const end = other(element);
      return () => {
        ref.current = null;
        if (end) end();
      };
    },
    [ref, other],
  );
}
