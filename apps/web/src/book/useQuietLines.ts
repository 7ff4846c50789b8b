import { type Script, lineTimes } from "@zm/core";
import { useCallback } from "react";
import { useMakeEdits, useShow } from "../show/useShow.ts";

/** What was asked of lines and is not answered yet, by show and lines: pressed twice on a slow line, it ends as it was. */
const asked = new Map<string, boolean>();

/** Asks for silence in lines, or no longer, each time the other of what they are, what was asked before counted in. */
export function useQuietLines(script: Script): (lines: readonly string[]) => Promise<void> {
  const { id } = useShow();
  const makeEdits = useMakeEdits();
  return useCallback(
    async (lines) => {
      if (lines.length === 0) return;
      const name = `${id}/${lines.join("/")}`;
      const times = lineTimes(script);
      const quiet = !(asked.get(name) ?? lines.every((line) => times.get(line)?.line.quiet === true));
      asked.set(name, quiet);
      await makeEdits([{ op: "setLines", lines: [...lines], quiet }]);
      if (asked.get(name) === quiet) asked.delete(name);
    },
    [id, script, makeEdits],
  );
}
