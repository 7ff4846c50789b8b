import type { Script } from "@zm/core";
import { useCallback, useEffect, useEffectEvent, useState } from "react";
import { useDropOnEscape } from "../shared/useDropOnEscape.ts";
import { useMakeEdits } from "../show/useShow.ts";

interface Stroke {
  readonly from: number;
  readonly to: number;
  readonly quiet: boolean;
}

/** Lines made quiet, or no longer quiet, by a stroke along their margin: one edit when it is let go. `draftAt` tells what a line would be meanwhile. */
export function useQuietStroke(script: Script): {
  draftAt: (index: number) => boolean | null;
  onStroke: (index: number, phase: "begin" | "over") => void;
} {
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const makeEdits = useMakeEdits();
  const onStroke = useCallback(
    (index: number, phase: "begin" | "over") => {
      if (phase === "begin") setStroke({ from: index, to: index, quiet: script.lines[index]?.quiet !== true });
      else setStroke((now) => now && { ...now, to: index });
    },
    [script],
  );
  const finish = useEffectEvent(() => {
    if (!stroke) return;
    setStroke(null);
    const [first, last] = [Math.min(stroke.from, stroke.to), Math.max(stroke.from, stroke.to)];
    const lines = script.lines
      .slice(first, last + 1)
      .filter(({ heading, quiet }) => !heading && (quiet === true) !== stroke.quiet)
      .map(({ id }) => id);
    if (lines.length > 0) void makeEdits([{ op: "setLines", lines, quiet: stroke.quiet }]);
  });
  const drawing = stroke !== null;
  useDropOnEscape(drawing, () => setStroke(null));
  useEffect(() => {
    if (!drawing) return;
    const end = (): void => finish();
    window.addEventListener("pointerup", end);
    return () => {
      window.removeEventListener("pointerup", end);
    };
  }, [drawing]);
  const draftAt = (index: number): boolean | null => {
    if (!stroke || script.lines[index]?.heading) return null;
    const [first, last] = [Math.min(stroke.from, stroke.to), Math.max(stroke.from, stroke.to)];
    return index >= first && index <= last ? stroke.quiet : null;
  };
  return { draftAt, onStroke };
}
