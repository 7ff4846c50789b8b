// From a sentence to what it asks of a show: names become channels, cues and palettes, and the sentence becomes edits or a choice.
// Nothing is applied here: the impact is shown first, and the edits go the same way as those of a key or a menu.
import { rowOf } from "../sheet/sheet.ts";
import { REHEARSAL_SPEEDS, isRehearsalSpeed } from "../rehearse/rehearse.ts";
import { checkedCaller, quietEdit, scriptEdit } from "./bookLine.ts";
import { aimEdits } from "../rig/aimEdits.ts";
import { checkedRange, faultless, single } from "./checked.ts";
import { asked } from "./askLine.ts";
import { onCueFields } from "./cueFieldsLine.ts";
import { onCueOrder } from "./cueOrderLine.ts";
import { startOf } from "./cueTimes.ts";
import type { LineFault } from "./fault.ts";
import { parseLine } from "./grammar.ts";
import { handRequest } from "./handLine.ts";
import { onLights } from "./lightsLine.ts";
import { type LineContext, type LineRequest, editOfShow, editsOfShow } from "./lineRequest.ts";
import { tintPalettes } from "../hand/mixing.ts";
import { Fault, channelsOf, entryNamed } from "./names.ts";
import { gatherLooksEdit, inLookEdit } from "./lookLine.ts";
import { noteEdit, tickEdits } from "./notesLine.ts";
import { patchEdits } from "./patchLine.ts";
import { listPrepared } from "./preparedLine.ts";
import { pageEdit, pressOf, rankEdit, stepsEdit } from "./pressLine.ts";
import { palettesSwapped, recasting } from "./recastLine.ts";
import type { Sentence } from "./sentence.ts";

/**
 * Reads a line against a show. Gives a fault, never an exception, for what a user can type wrongly; it points at the word
 * (place and length in the text) and says what could stand there. The show is not changed.
 * Cheap enough for every keystroke: a parse and a few look-ups. It plans no edit; `makeEdits` tells what it would do.
 */
export function readLine(text: string, context: LineContext): { request: LineRequest } | { fault: LineFault } {
  const parsed = parseLine(text);
  if ("fault" in parsed) return parsed;
  try {
    return { request: requestOf(parsed.sentence, context) };
  } catch (error) {
    if (error instanceof Fault) return { fault: error.fault };
    throw error;
  }
}

/** What a sentence asks for. Throws Fault for names and numbers that are not there. */
function requestOf(sentence: Sentence, context: LineContext): LineRequest {
  switch (sentence.kind) {
    case "history":
    case "find":
    case "nameVersion":
    case "help":
    case "show":
    case "callerLeaves":
    case "logRun":
    case "osc":
      return sentence;
    case "importCues":
    case "rehearse":
    case "caller":
    case "accept":
      return checkedAsk(sentence);
    case "newCues":
      return editOfShow({ op: "setShow", newCue: sentence.times && startOf(sentence.times) });
    case "editsAfter":
      return editOfShow({ op: "setShow", editsAfter: sentence.after });
    case "quiet":
      return editOfShow(quietEdit(sentence, context));
    case "script":
      return editOfShow(scriptEdit(sentence, context));
    case "rank":
      return editOfShow(rankEdit(sentence, context.sheet));
    case "listPrepared":
      return editOfShow(listPrepared(context.list, sentence.mark));
    case "page":
      return editOfShow(pageEdit(sentence, context.sheet));
    case "steps":
      return editOfShow(stepsEdit(sentence, context.sheet));
    case "patch":
      return editsOfShow(patchEdits(sentence, context));
    case "where":
      return asked(sentence, context, requestOf);
    case "tintPalettes": {
      const { show } = context.sheet;
      const id = sentence.list && entryNamed(sentence.list, show.colourLists ?? [], "list of colours");
      const list = show.colourLists?.find((each) => each.id === id);
      return editsOfShow(faultless(() => tintPalettes(show, list)));
    }
    case "inLook":
      return editOfShow(inLookEdit(sentence, context));
    case "gatherLooks":
      return editOfShow(gatherLooksEdit(sentence, context));
    case "notes":
    case "bringIn":
    case "sendOut":
    case "backup":
    case "people":
    case "servers":
    case "handOver":
      return sentence;
    case "keepCue": {
      const { id, cues } = context.list;
      const cue = cues[rowOf(context.list, sentence.cue)]?.number ?? sentence.cue;
      return { kind: "keepCue", list: id, cue, keep: sentence.keep };
    }
    case "leaveNote":
      return editOfShow(noteEdit(sentence, context));
    case "tickNotes":
      return editsOfShow(tickEdits(sentence, context));
    case "aim":
      return editsOfShow(faultless(() => aimEdits(context.sheet.show, channelsOf(sentence.lights, context.sheet), sentence.at)));
    case "goCue":
      return { kind: "choose", cues: checkedRange(sentence.cues) };
    case "lights":
      return onLights(sentence, context);
    case "press":
      return { kind: "press", press: pressOf(sentence.press, context.sheet) };
    case "view":
    case "choice":
    case "inTimes":
    case "restoreDropped":
    case "record":
    case "update":
    case "dropped":
    case "keep":
      return handRequest(sentence, context);
    case "recast":
      return recasting(sentence, context);
    case "swapPalette":
      return palettesSwapped(sentence, context);
    case "copy":
    case "copyList":
    case "block":
    case "move":
    case "delete":
    case "switchCues":
    case "mergePart":
    case "renumber":
    case "split":
    case "insert":
    case "gather":
      return onCueOrder(sentence, context);
    default:
      return onCueFields(sentence, context);
  }
}

/** What is asked of the program and not of the show, its numbers checked. Throws Fault. */
function checkedAsk(sentence: Extract<Sentence, { kind: "importCues" | "rehearse" | "caller" | "accept" }>): LineRequest {
  switch (sentence.kind) {
    case "importCues":
      return {
        ...sentence,
        ...(sentence.cues ? { cues: checkedRange(sentence.cues) } : {}),
        ...(sentence.start === undefined ? {} : { start: single(sentence.start).from }),
      };
    case "rehearse":
      if (isRehearsalSpeed(sentence.speed)) return sentence;
      throw new Fault({
        message: `A rehearsal is called ${REHEARSAL_SPEEDS.least} to ${REHEARSAL_SPEEDS.most} times as fast`,
        at: 0,
        length: 1,
      });
    case "caller":
      return { ...sentence, ...checkedCaller(sentence) };
    case "accept":
      return { ...sentence, cues: checkedRange(sentence.cues) };
  }
}
