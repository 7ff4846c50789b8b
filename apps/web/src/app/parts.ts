import { lazyPart } from "../shared/lazyPart.ts";

export const RecordSheet = lazyPart(async () => (await import("../hand/RecordSheet.tsx")).RecordSheet);
export const UpdateSheet = lazyPart(async () => (await import("../hand/UpdateSheet.tsx")).UpdateSheet);
export const KeysDialog = lazyPart(async () => (await import("./KeysDialog.tsx")).KeysDialog);
export const FindDialog = lazyPart(async () => (await import("./FindDialog.tsx")).FindDialog);
