import { useDraft } from "../../src/choice/draft.ts";
import { useSelection } from "../../src/choice/selection.ts";
import { useSheetView } from "../../src/choice/sheetView.ts";

/** Nothing chosen, nothing considered, the sheet as it is first seen. */
export function freshChoice(): void {
  useSelection.setState(useSelection.getInitialState(), true);
  useSheetView.setState(useSheetView.getInitialState(), true);
  useDraft.setState(useDraft.getInitialState(), true);
}
