import { useInfiniteQuery } from "@tanstack/react-query";
import { useCallback } from "react";
import { historyQuery } from "./past.ts";

/** What states of a show are called: by their names where they have one, else by the edit that they stand behind. */
export function useStateNames(id: number): (revision: number) => string {
  const { data } = useInfiniteQuery(historyQuery(id));
  const versions = data?.pages[0]?.versions;
  return useCallback(
    (revision) => {
      const name = versions?.find((version) => version.revision === revision)?.name;
      if (name !== undefined) return `“${name}”`;
      return revision === 0 ? "the beginning of the show" : `edit ${revision}`;
    },
    [versions],
  );
}
