// Every kind of edit by its name. Adding one means a file beside this one, an entry here, and a line in docs/format.md.
import { record } from "./record.ts";
import { change } from "./change.ts";
import { update } from "./update.ts";
import { recast } from "./recast.ts";
import { swapPalette } from "./swapPalette.ts";
import { setPart } from "./setPart.ts";
import { setTimes } from "./setTimes.ts";
import { stretch } from "./stretch.ts";
import { setMoveTimes } from "./setMoveTimes.ts";
import { setCue } from "./setCue.ts";
import { insertCue } from "./insertCue.ts";
import { deleteCue } from "./deleteCue.ts";
import { copyCue } from "./copyCue.ts";
import { copyList } from "./copyList.ts";
import { moveCue } from "./moveCue.ts";
import { renumber } from "./renumber.ts";
import { split } from "./split.ts";
import { assignPart } from "./assignPart.ts";
import { removeChannel, setChannel } from "./channels.ts";
import { removeType, setType } from "./fixtureTypes.ts";
import { block, restate, unblock, unrestate } from "./flags.ts";
import { removeGroup, setGroup } from "./groups.ts";
import { removeList, setList } from "./lists.ts";
import { removeHeldLook, setHeldLook } from "./heldLooks.ts";
import { removePace, setPace } from "./paces.ts";
import { removePalette, setPalette } from "./palettes.ts";
import { renumberChannel } from "./renumberChannel.ts";
import { setLines, setScript, setText } from "./script.ts";
import { setShow } from "./setShow.ts";
import { removeTempo, setTempo } from "./tempos.ts";
import { removePage, setPage } from "./pages.ts";
import { removeNote, setNote } from "./notes.ts";
import { removeMovement, setMovement } from "./movements.ts";
import { removeColourList, setColourList } from "./colourLists.ts";
import { setWave } from "./setWave.ts";
import { switchOff, switchOn } from "./switchCues.ts";
import { steps } from "./steps.ts";

/**
 * Every kind of edit by its name. A new one is a file of its own and one name here; the schema, the plan and the words are found through
 * it.
 * Everything that speaks of edits by name, such as the schema, the history and the documentation, reads it here.
 */
export const EDIT_KINDS = {
  record,
  change,
  update,
  recast,
  swapPalette,
  setTimes,
  setMoveTimes,
  stretch,
  setPart,
  setWave,
  setCue,
  insertCue,
  deleteCue,
  switchOff,
  switchOn,
  copyCue,
  copyList,
  moveCue,
  renumber,
  split,
  assignPart,
  block,
  unblock,
  restate,
  unrestate,
  setShow,
  setScript,
  setLines,
  setText,
  setPalette,
  setGroup,
  setPace,
  setHeldLook,
  setTempo,
  setPage,
  setNote,
  setMovement,
  setColourList,
  setChannel,
  setType,
  setList,
  removePalette,
  removeGroup,
  removePace,
  removeHeldLook,
  removeTempo,
  removePage,
  removeNote,
  removeMovement,
  removeColourList,
  removeChannel,
  renumberChannel,
  removeType,
  removeList,
  steps,
};

/**
 * The name of a kind of edit.
 * The same as the `op` of an edit.
 */
export type EditName = keyof typeof EDIT_KINDS;
