import {
  type Hand,
  EMPTY_HAND,
  changeHand,
  freeId,
  listOf,
  nextNumber,
  paceFromHand,
  paletteFromHand,
  planRecording,
  planUpdating,
  readLine,
  sheetOf,
  stageWarning,
  updateOptions,
} from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { previewOf } from "../../src/preview/preview.ts";
import { answerTo } from "../../src/line/answer.ts";
import type { LinePlanners } from "../../src/line/requests/kind.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const HELD = { 1: { intensity: 33 }, 2: { intensity: 44 }, 21: { red: 12, green: 0, blue: 90 } };

/** What a window knows with these values in hand and this cue on stage. */
function planners(onStage: string | null, moves: object = HELD): LinePlanners {
  const given = changeHand(EMPTY_HAND, { do: "give", moves: { ...moves } }, sheet, 0);
  const hand: Hand = changeHand(given, { do: "time", times: { "1.intensity": { fade: 2 }, "2.intensity": { fade: 4 } } }, sheet, 0);
  const stage = { run: undefined, outputOf: () => 0 };
  return {
    recording: {
      list,
      next: nextNumber(list, onStage),
      plan: (wish) => planRecording(sheet, list, hand, stage, wish),
      warningFor: (cue) => stageWarning(list, cue, onStage),
    },
    step: () => "Cue 6 recorded",
    list: list.id,
    updating: {
      of: () => ({
        list,
        cue: onStage,
        optionsFor: (selection) => (onStage === null ? [] : updateOptions(sheet, list, hand, onStage, selection)),
        plan: (options, placeOf) => planUpdating(list, onStage ?? "", options, placeOf),
        make: () => Promise.resolve(false),
      }),
    },
    keeping: {
      paletteEdit: ({ label, ...wish }) => {
        const known = sheet.show.palettes.find((each) => each.label === label);
        return { op: "setPalette", palette: paletteFromHand(sheet, hand, { id: known?.id ?? freeId(label, []), label, ...wish }) };
      },
      movementEdit: (label) => ({
        op: "setMovement",
        movement: { id: freeId(label, []), label, period: 4, waves: [{ attribute: "pan", shape: "sine", size: 5 }] },
      }),
      paceEdit: (label, channels) => ({ op: "setPace", pace: paceFromHand(sheet, hand, { id: freeId(label, []), label, channels }) }),
    },
  };
}

/** What stands beside a typed line. */
function said(
  text: string,
  { onStage = "7", toHand = true, moves = HELD }: { onStage?: string | null; toHand?: boolean; moves?: object } = {},
) {
  const read = readLine(text, { sheet, list, cues: { from: "6", to: "6" }, toHand });
  if ("fault" in read) throw new Error(read.fault.message);
  const draft =
    read.request.kind === "edit" ? previewOf(sheet, { edits: read.request.edits, list: list.id, mostLines: 0, window: null }) : null;
  return answerTo(read.request, { sheet }, draft, planners(onStage, moves));
}

test("a record is read back as the sentence of its sheet, with what should be warned of", () => {
  expect(said("record new").text).toMatch(
    /^Inserts cue 7\.5 between 7 and 8: 5 values of 3 lights; cues 8 to \S+ change on 3 lights; it has no times, so it snaps\. Enter records it$/,
  );
  expect(said("record new of 1 intensity").text).toMatch(/^Inserts cue 7\.5 between 7 and 8: 1 value of 1 light/);
  expect(said("record #20 only").text).toMatch(
    /^Changes cue 20: .*The stage stands at cue 7, and the cue before 20 is 19: it will look different from what you see\. Enter records it$/,
  );
  expect(said("record").text).toBe("Enter opens the record sheet");
  expect(said("record #12", { moves: {} })).toEqual({ text: "Nothing is in hand; give some lights a value first", fault: true });
});

test("an update says where its values go and how many cues look different", () => {
  expect(said("update here").text).toMatch(/^Cue 7: 3 lights updated here: \d+ cues look different\. Enter updates$/);
  expect(said("update at source of 1").text).toMatch(/^Cue 7: 1 light updated at the source: \d+ cues? looks? different\. Enter updates$/);
  expect(said("update in palette of 21 colour").text).toMatch(
    /^Cue 7: 1 light updated in the palette: \d+ cues look different\. Enter updates$/,
  );
  expect(said("update here", { onStage: null })).toEqual({ text: "No cue is on stage; there is none to update", fault: true });
  expect(said("update here of 61")).toEqual({ text: "No value in hand is sent anywhere; there is nothing to update", fault: true });
});

test("keeping says whether cues change: none for a new palette, its users for a known one", () => {
  expect(said('keep palette "New blue" colour').text).toBe(
    "Keeps what is in hand. Palette New blue set: no cue looks different. Enter keeps it",
  );
  expect(said('keep palette "Storm" colour').text).toMatch(
    /^Keeps what is in hand\. Palette Storm set: \d+ cues look different\. Enter keeps it$/,
  );
  expect(said('keep palette "x" position')).toEqual({ text: "No position is in hand; a palette is made from what is held", fault: true });
  expect(said('keep pace "Slow"').text).toBe("Keeps what is in hand. Pace Slow set: no cue looks different. Enter keeps it");
});

test("what goes to the Hand is told from what goes to cues", () => {
  expect(said("1..3 = 50").text).toBe("In hand, live: 3 lights: 1–3, intensity to 50. Enter gives it");
  expect(said("1..3 = 50", { toHand: false }).text).toMatch(
    /^Cue 6, 3 lights: intensity to 50: \d+ cues? looks? different\. Enter makes it, Esc drops it$/,
  );
  expect(said("1 = 150")).toMatchObject({ fault: true, text: expect.stringContaining("150") });
  expect(said("61 = dusk").text).toBe("In hand, live: light 61 to dusk. Enter gives it");
  expect(said("1, 2 intensity fade 3 delay 0~2 curve ease").text).toBe(
    "In hand, live: 2 lights: 1–2, intensity, fade 3 delay 0~2 ease. Enter does it",
  );
  expect(said("drop 1").text).toBe("Drops from the Hand: light 1, all families. Enter does it");
  expect(said("take up").text).toMatch(/^Takes up again/);
});

test("an edit that changes nothing says so, and one that is refused says why", () => {
  expect(said("#6: 1 = 60").text).toBe("Cue 6, 1 light: intensity to 60: changes nothing. Enter makes it, Esc drops it");
  expect(said("#99: 1 = 60")).toMatchObject({ fault: true });
  expect(said("insert #6")).toMatchObject({ fault: true, text: expect.stringContaining("6") });
  expect(said("#7: part 4 up 3")).toEqual({ text: "Cue 7 has no part 4; its only part is 1", fault: true });
});

test("steps in the history, views and choices say what Enter does", () => {
  expect(["undo", "redo", "rig", "lit", "again", "5", "update"].map((text) => said(text).text)).toEqual([
    "Enter takes back: Cue 6 recorded",
    "Enter makes again: Cue 6 recorded",
    "Enter goes to Rig",
    "Enter chooses every light that is lit",
    "Enter chooses what was chosen before",
    "Enter chooses, Esc drops",
    "Enter opens the update sheet",
  ]);
});
