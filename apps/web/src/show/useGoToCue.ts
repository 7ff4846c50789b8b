import { chooseCue, chooseList } from "../choice/selection.ts";
import { lookAt } from "../choice/sheetView.ts";
import { useList, useMainList } from "./useShow.ts";

/** Goes to a cue of any list: the list is worked on from then on, the cue is chosen and brought in sight. */
export function useGoToCue(): (list: string, cue: string) => void {
  const worked = useList();
  const main = useMainList();
  return (list, cue) => {
    if (list !== worked.id) chooseList(list === main.id ? null : list);
    chooseCue(cue);
    lookAt(list, cue);
  };
}
