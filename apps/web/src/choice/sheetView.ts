import type { Family } from "@zm/core";
import { create } from "zustand";
import { toggled } from "../shared/toggled.ts";
import { dropDraftFrom } from "./draft.ts";

/** What the cells of the Score show: the moves of a family, or the times of all moves. */
export type Lens = Family | "times";

/** What stands under a sheet: the chosen cues over time, or the pictures of the cue in sight. */
export type Under = "times" | "pictures";

/** How the sheet is looked at and what stands around it; it outlives a change of view. */
interface SheetView {
  readonly lens: Lens;
  /** Groups of lights that are one column. */
  readonly folded: ReadonlySet<string>;
  /** The lights that the Score shows attribute by attribute. */
  readonly openLights: ReadonlySet<number>;
  /** Scenes that are one line, and cues whose parts stand under them; each named with its list. */
  readonly foldedScenes: ReadonlySet<string>;
  readonly openCues: ReadonlySet<string>;
  readonly under: Under | null;
  /** The Score shows only lights that move in these cues. */
  readonly moving: { readonly list: string; readonly from: string; readonly to: string } | null;
  /** Tracked values are written in every cell. */
  readonly tracked: boolean;
  /** What is open at the right edge in place of the inspector. */
  readonly drawer: "record" | "update" | null;
  /** A cue that is looked at without being chosen, such as one that an edit would change; the spine and the Score bring it in sight. */
  readonly lookedAt: { readonly list: string; readonly cue: string } | null;
}

/** Read it anywhere; it is changed by the functions of this file alone. */
export const useSheetView = create<SheetView>(() => ({
  lens: "intensity",
  folded: new Set(),
  openLights: new Set(),
  foldedScenes: new Set(),
  openCues: new Set(),
  under: null,
  moving: null,
  tracked: false,
  drawer: null,
  lookedAt: null,
}));

/** Looks through a lens; what was thought about the cells of another is let go. */
export function chooseLens(lens: Lens): void {
  useSheetView.setState({ lens });
  dropDraftFrom("cells");
}

/** Opens something under the sheet. */
export function openUnder(under: Under): void {
  useSheetView.setState({ under });
}

/** Closes what stands under the sheet; with a name, only where it is this that stands there. */
export function closeUnder(only?: Under): void {
  if (only === undefined || useSheetView.getState().under === only) useSheetView.setState({ under: null });
}

/** Opens something under the sheet, or closes it where it stands there. */
export function toggleUnder(under: Under): void {
  useSheetView.setState({ under: useSheetView.getState().under === under ? null : under });
}

/** Writes tracked values in every cell, or in none. */
export function showTracked(tracked: boolean): void {
  useSheetView.setState({ tracked });
}

/** Shows only lights that move in these cues; null: all. */
export function showMoving(moving: SheetView["moving"]): void {
  useSheetView.setState({ moving });
}

/** Folds a group of lights into one column, or unfolds it. */
export function toggleGroup(id: string): void {
  useSheetView.setState(({ folded }) => ({ folded: toggled(folded, id) }));
}

/** Which lights are shown attribute by attribute. */
export function showOpenLights(openLights: ReadonlySet<number>): void {
  useSheetView.setState({ openLights });
}

/** Which scenes are one line, each named with its list. */
export function showFoldedScenes(foldedScenes: ReadonlySet<string>): void {
  useSheetView.setState({ foldedScenes });
}

/** Under which cues their parts stand, each named with its list. */
export function showOpenCues(openCues: ReadonlySet<string>): void {
  useSheetView.setState({ openCues });
}

/** Opens a drawer in place of the inspector. */
export function openDrawer(drawer: "record" | "update"): void {
  useSheetView.setState({ drawer });
}

/** Closes the drawer: the inspector stands there again. */
export function closeDrawer(): void {
  useSheetView.setState({ drawer: null });
}

/** Brings a cue in sight without choosing it. */
export function lookAt(list: string, cue: string): void {
  useSheetView.setState({ lookedAt: { list, cue } });
}

/** Looks at no cue in particular any more: that of another show is none of this one. */
export function lookAway(): void {
  useSheetView.setState({ lookedAt: null });
}
