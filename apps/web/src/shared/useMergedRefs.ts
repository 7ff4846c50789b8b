import { type RefCallback, type RefObject, useCallback } from "react";

type AnyRef<E> = RefObject<E | null> | RefCallback<E>;

/** One ref for an element that two want to know of. It is told anew to both when one of them is another. */
export function useMergedRefs<E extends HTMLElement>(one: AnyRef<E>, other?: AnyRef<E>): RefCallback<E> {
  return useCallback(
    (element: E | null) => {
      const ends = [attach(one, element), ...(other ? [attach(other, element)] : [])];
      return () => ends.forEach((end) => end());
    },
    [one, other],
  );
}

/** Tells a ref of its element; gives what takes it away again. */
function attach<E>(ref: AnyRef<E>, element: E | null): () => void {
  if (typeof ref !== "function") {
    ref.current = element;
    return () => (ref.current = null);
  }
  const end = ref(element);
  return typeof end === "function" ? end : () => void ref(null);
}
