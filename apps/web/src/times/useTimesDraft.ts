import { type EditInput, type ListSheet, type TimeBar } from "@zm/core";
import { useCallback, useMemo, useRef } from "react";
import { type Draft, considerEdits, dropDraftFrom, makeConsidered, useDraft } from "../choice/draft.ts";
import { faultOf, sheetAfter } from "../preview/preview.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { barEdit, barName, followEdit } from "./barEdits.ts";
import type { TimeWish } from "./TimesChart.tsx";

/** New times that are being thought about: the list as they would leave it, and what asks for, makes and drops them. */
export interface TimesDraft {
  readonly shown: ListSheet;
  readonly wish: (wish: TimeWish) => void;
  /** Considers one edit of all times together, in place of single ones. */
  readonly consider: (edits: readonly EditInput[] | null) => void;
  readonly make: () => void;
  readonly drop: () => void;
}

/** The times of a list under consideration; what is asked of several bars comes together in one edit. */
export function useTimesDraft(list: ListSheet): TimesDraft {
  const { sheet } = useShow();
  const draft = useDraft((choice) => (choice.draft?.from === "times" ? choice.draft : null));
  const makeEdits = useMakeEdits();
  /** What is asked for so far, by bar; it belongs to the draft that came of it. */
  const asked = useRef<{ readonly draft: Draft | null; readonly edits: ReadonlyMap<string, readonly EditInput[]> }>({
    draft: null,
    edits: new Map(),
  });
  const shown = useMemo(() => {
    if (!draft) return list;
    return sheetAfter(sheet, draft.edits)?.lists.get(list.id) ?? list;
  }, [sheet, list, draft]);
  const think = useCallback((edits: ReadonlyMap<string, readonly EditInput[]>): void => {
    const flat = [...edits.values()].flat();
    asked.current = { draft: considerEdits("times", flat.length > 0 ? flat : null), edits };
  }, []);
  const wish = useCallback(
    (what: TimeWish): void => {
      const before = asked.current.draft === useDraft.getState().draft ? asked.current.edits : new Map<string, readonly EditInput[]>();
      const [name, edits] = "link" in what ? [`link ${what.link.row}`, followEdit(list, what.link.row, what.after)] : editsOf(list, what);
      think(new Map([...before, [name, edits]]));
    },
    [list, think],
  );
  const consider = useCallback((edits: readonly EditInput[] | null): void => think(edits ? new Map([["all", edits]]) : new Map()), [think]);
  const drop = useCallback((): void => {
    dropDraftFrom("times");
  }, []);
  const make = useCallback((): void => {
    const { draft: now } = useDraft.getState();
    if (now?.from !== "times" || faultOf(sheet, now.edits) !== undefined) return;
    void makeConsidered(now, makeEdits);
  }, [sheet, makeEdits]);
  return { shown, wish, consider, make, drop };
}

/** The edits of one bar, under a name by which a later wish for the same bar takes their place. */
function editsOf(
  list: ListSheet,
  { bar, change }: { readonly bar: TimeBar; readonly change: Parameters<typeof barEdit>[2] },
): [string, EditInput[]] {
  return [`${barName(bar)} ${Object.keys(change).join()}`, barEdit(list, bar, change)];
}
