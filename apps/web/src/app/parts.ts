import type { ComponentType } from "react";
import { lazyPart, loadLater } from "../shared/lazyPart.ts";

export const RecordSheet = lazyPart(async () => (await import("../hand/RecordSheet.tsx")).RecordSheet);
export const UpdateSheet = lazyPart(async () => (await import("../hand/UpdateSheet.tsx")).UpdateSheet);
export const KeysDialog = lazyPart(async () => (await import("./KeysDialog.tsx")).KeysDialog);
export const FindDialog = lazyPart(async () => (await import("./FindDialog.tsx")).FindDialog);

type View = Promise<ComponentType>;
export const loadStageView = loadLater(async (): View => (await import("../stage/StageView.tsx")).StageView);
export const loadRigView = loadLater(async (): View => (await import("../rig/RigView.tsx")).RigView);
export const loadRunView = loadLater(async (): View => (await import("../run/RunView.tsx")).RunView);
