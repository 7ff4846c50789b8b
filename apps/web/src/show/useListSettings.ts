import type { CueList, EditInput } from "@zm/core";
import { useMakeEditsInTurn } from "./useShow.ts";

/** The settings of a list, without its cues. */
export type ListSettings = Omit<CueList, "cues">;

type ChangeList = (list: string, change: (settings: ListSettings) => ListSettings, first?: readonly EditInput[]) => void;

/**
 * Changes the settings of any list as they are when the change comes to its turn, so that two changes right behind each other both hold. `first` are
 * edits that go before it in the same gesture.
 */
export function useListChange(): ChangeList {
  const makeEdits = useMakeEditsInTurn();
  return (list, change, first = []) =>
    void makeEdits((sheet) => {
      const standing = sheet.lists.get(list)?.list;
      if (!standing) return [];
      const { cues: _cues, ...settings } = standing;
      return [...first, { op: "setList", list: change(settings) }];
    });
}

/** Changing the settings of one list. */
export function useListSettings(list: string): (change: (settings: ListSettings) => ListSettings, first?: readonly EditInput[]) => void {
  const changeList = useListChange();
  return (change, first) => changeList(list, change, first);
}
