import { type ListSheet, findRow, listSpans } from "@zm/core";
import { useMemo } from "react";
import { useShallow } from "zustand/react/shallow";
import { chosenCellAttributes, chosenCues, useSelection } from "../choice/selection.ts";
import { useSheetView } from "../choice/sheetView.ts";
import { usePreview } from "../preview/usePreview.ts";
import { useSame } from "../shared/useSame.ts";
import { cueOnStage, useLive } from "../show/live.ts";
import { useShow } from "../show/useShow.ts";
import { useSheetLines } from "../spine/useSheetLines.ts";
import { layoutColumns } from "./columns.ts";
import { shownLights } from "./moving.ts";
import { chosenRows } from "./chosenRows.ts";
import type { TilePicture } from "./ScoreTiles.tsx";
import { useFoundRows } from "./useFoundRows.ts";

/** All that a tile of the sheet shows: lines, columns, what is chosen, what stands on stage, ghosts and findings. The same object while none of it changes. */
export function useScorePicture(list: ListSheet): TilePicture {
  const { sheet } = useShow();
  // Not what is being considered: that changes with every letter typed, and comes here as ghosts.
  const choice = useSelection(
    useShallow(({ cue, cueEnd, channels, channelEnd, attributes, attributeEnd }) => ({
      cue,
      cueEnd,
      channels,
      channelEnd,
      attributes,
      attributeEnd,
    })),
  );
  const { lens, folded, openLights, moving, tracked } = useSheetView(
    useShallow((view) => ({
      lens: view.lens,
      folded: view.folded,
      openLights: view.openLights,
      moving: view.moving,
      tracked: view.tracked,
    })),
  );
  const preview = usePreview();
  const stageCue = useLive((live) => cueOnStage(live.run, list.id));
  const lines = useSheetLines(list);
  const only = useMemo(() => shownLights(list, moving), [list, moving]);
  const spans = useMemo(() => listSpans(list, (id) => sheet.lists.get(id)), [list, sheet.lists]);
  const found = useFoundRows(list);
  const lists = useSame([...new Set(spans.map((each) => each.list))].map((id) => ({ id, label: sheet.lists.get(id)?.list.label || id })));
  const layout = useMemo(
    () => layoutColumns(sheet.show, lens, { folded, open: openLights, only, lists }),
    [sheet.show, lens, folded, openLights, only, lists],
  );
  const cues = useSame(chosenCues(choice));
  const chosen = useMemo(() => chosenRows(list, cues), [list, cues]);
  const ghosts = preview && "ghosts" in preview ? preview.ghosts : null;
  const stageRow = stageCue === null ? -1 : findRow(list, stageCue);
  const lights = useMemo(() => new Set(choice.channels), [choice.channels]);
  const attributes = chosenCellAttributes(choice);
  return useMemo(
    (): TilePicture => ({ list, layout, lines, lens, tracked, chosen, lights, attributes, stageRow, ghosts, spans, found }),
    [found, spans, list, layout, lines, lens, tracked, lights, attributes, chosen, stageRow, ghosts],
  );
}
