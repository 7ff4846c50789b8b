/**
 * The door of the edits: what the line, the Hand, the rig and the checks may use of them. Behind it lie exact steps (`steps/`), what
 * plans are made of (`plan/`), each edit (`kinds/`), and what steps do to the looks (`impact/`).
 */
export { type Applied, type Outcome, applyEdits, makeEdits } from "./edit.ts";
export { applySteps } from "./steps/applySteps.ts";
export { headOf, partHeadOf } from "./steps/apply.ts";
export {
  type ChangeEdit,
  type Edit,
  type EditInput,
  type KeySelection,
  type RecordEdit,
  type TimesPatch,
  EDIT_OPS,
  MOST_EDITS,
  readEdits,
} from "./edits.ts";
export { type GatheredCue, gatherEdits } from "./gather.ts";
export { type RangeMove, copyRangeEdits, moveRangeEdits, walledInsertEdits } from "./rangeEdits.ts";
export { recastEverywhere, swapEverywhere } from "./everywhere.ts";
export { type CueImport, importCuesEdits } from "./importCues.ts";
export { scenesFromBook } from "./scenesFromBook.ts";
export { mergePartEdits } from "./partEdits.ts";
export { type Pasted, clipOf, cutEdits, pasteEdits } from "./clip.ts";
export { type Impact, type LookChange, impactOf } from "./impact/impact.ts";
export { checkedMoves } from "./plan/checkedMoves.ts";
export { wavesIn } from "./plan/wavesIn.ts";
export { type GivenWave, fannedWave, givenWave, wavesFor, wavesOfKeys, waveWords } from "./plan/fannedWave.ts";
/** What is different between two states of a show. */
export type { Comparison } from "./impact/compare.ts";
export { rowsIn } from "./plan/rows.ts";
export { paletteUsers } from "./plan/storedMoves.ts";
export { storedMove, targetOfMove } from "./plan/moveSteps.ts";
export { isNamed, selectKeys } from "./plan/selectKeys.ts";
export { patchedTimes } from "./plan/patchedTimes.ts";
/** The smallest exact change. */
export type { Step } from "./steps/step.ts";
export { operationWords } from "./kinds/change.ts";
export { triggerWords } from "./kinds/setCue.ts";
