import { useEffect, useRef } from "react";

/**
 * Takes what was typed into a field that goes while it is being written in, such as that of a cue when another one is chosen: a field that is gone
 * is not left, and what was typed would be lost. Gives what is told of each text that is typed; null where nothing waits to be taken.
 */
export function useTakenWhenGone(take: (text: string) => void): (text: string | null) => void {
  const typed = useRef<string | null>(null);
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  useEffect(
    () => () => {
      if (typed.current !== null) latest.current(typed.current);
      typed.current = null;
    },
    [],
  );
  return (text) => {
    typed.current = text;
  };
}
