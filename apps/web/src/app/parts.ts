import type { ComponentType } from "react";
import { lazyPart, loadLater } from "../shared/lazyPart.ts";

export const RecordDrawer = lazyPart(async () => (await import("../hand/RecordDrawer.tsx")).RecordDrawer);
export const UpdateDrawer = lazyPart(async () => (await import("../hand/UpdateDrawer.tsx")).UpdateDrawer);
export const KeysDialog = lazyPart(async () => (await import("./KeysDialog.tsx")).KeysDialog);
export const FindDialog = lazyPart(async () => (await import("./FindDialog.tsx")).FindDialog);
export const NumbersDialog = lazyPart(async () => (await import("../lists/NumbersDialog.tsx")).NumbersDialog);
export const TakeDialog = lazyPart(async () => (await import("../lists/TakeDialog.tsx")).TakeDialog);
export const StepsDialog = lazyPart(async () => (await import("../lists/StepsDialog.tsx")).StepsDialog);
export const StandbyDialog = lazyPart(async () => (await import("../lists/StandbyDialog.tsx")).StandbyDialog);
export const PickDrawer = lazyPart(async () => (await import("../pick/PickDrawer.tsx")).PickDrawer);
export const LookValuesDialog = lazyPart(async () => (await import("../shelf/LookValuesDialog.tsx")).LookValuesDialog);
export const NotesDrawer = lazyPart(async () => (await import("../notes/NotesDrawer.tsx")).NotesDrawer);
export const AskDrawer = lazyPart(async () => (await import("../ask/AskDrawer.tsx")).AskDrawer);
export const Shelf = lazyPart(async () => (await import("../shelf/Shelf.tsx")).Shelf);

type View = Promise<ComponentType>;
export const loadStageView = loadLater(async (): View => (await import("../stage/StageView.tsx")).StageView);
export const loadRigView = loadLater(async (): View => (await import("../rig/RigView.tsx")).RigView);
export const loadCheckView = loadLater(async (): View => (await import("../check/CheckView.tsx")).CheckView);
export const loadBookView = loadLater(async (): View => (await import("../book/BookView.tsx")).BookView);
export const loadLogView = loadLater(async (): View => (await import("../runlog/LogView.tsx")).LogView);
export const loadPlannerView = loadLater(async (): View => (await import("../planner/PlannerView.tsx")).PlannerView);
export const loadRehearsalView = loadLater(async (): View => (await import("../rehearsal/RehearsalView.tsx")).RehearsalView);
export const loadHistoryView = loadLater(async (): View => (await import("../past/HistoryView.tsx")).HistoryView);
export const loadPaperView = loadLater(async (): View => (await import("../paper/PaperView.tsx")).PaperView);
export const loadRunView = loadLater(async (): View => (await import("../run/RunView.tsx")).RunView);
export const loadWatchView = loadLater(async (): View => (await import("../run/WatchView.tsx")).WatchView);
