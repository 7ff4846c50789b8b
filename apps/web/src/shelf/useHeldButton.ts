import { useCallback, useEffect, useRef } from "react";

/** What a button takes that does something for as long as it is pressed, by pointer or by key. */
interface HeldHandlers {
  readonly onPointerDown: () => void;
  readonly onPointerUp: () => void;
  readonly onPointerCancel: () => void;
  readonly onPointerLeave: () => void;
  readonly onKeyDown: (event: React.KeyboardEvent) => void;
  readonly onKeyUp: () => void;
  readonly onBlur: () => void;
}

/** Pressed and let go: a window that goes to the background, and a strip that goes from sight, let go too. `again` is called while it is held, every so many milliseconds. */
export function useHeldButton(
  onDown: () => void,
  onUp: () => void,
  again?: { readonly every: number; readonly act: () => void },
): HeldHandlers {
  const held = useRef<ReturnType<typeof setInterval> | true | null>(null);
  const ends = useRef(onUp);
  useEffect(() => {
    ends.current = onUp;
  });
  const letGo = useCallback((): void => {
    if (held.current === null) return;
    if (held.current !== true) clearInterval(held.current);
    held.current = null;
    ends.current();
  }, []);
  useEffect(() => {
    // A window in the background says nothing any more.
    const leave = (): void => {
      if (document.visibilityState === "hidden") letGo();
    };
    document.addEventListener("visibilitychange", leave);
    return () => {
      document.removeEventListener("visibilitychange", leave);
      letGo();
    };
  }, [letGo]);
  const down = (): void => {
    if (held.current !== null) return;
    held.current = again ? setInterval(again.act, again.every) : true;
    onDown();
  };
  return {
    onPointerDown: down,
    onPointerUp: letGo,
    onPointerCancel: letGo,
    onPointerLeave: letGo,
    onKeyDown: (event) => {
      if ((event.key === " " || event.key === "Enter") && !event.repeat) down();
    },
    onKeyUp: letGo,
    onBlur: letGo,
  };
}
