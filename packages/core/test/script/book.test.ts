import {
  type EditInput,
  type LineContext,
  type ShowSheet,
  checkSheet,
  describeEdits,
  linesBetweenCues,
  listOf,
  makeEdits,
  phrasePlaces,
  placeForCue,
  readEdits,
  readLine,
  scriptImpact,
  scriptImpactWords,
  sheetOf,
  splitWords,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const SCRIPT = {
  pace: 60,
  lines: [
    { id: "h", text: "Scene one", heading: true },
    { id: "a", who: "ADA", text: "Then leave the lamp. The lamp is mine." },
    { id: "b", text: "(He looks at the lamp.)", seconds: 5 },
    { id: "c", who: "EDWIN", text: "Leave the lamp until spring." },
  ],
};
const CUES = [
  oneCue("1", { 1: { intensity: 50 } }, {}, { call: { line: "a", word: "then" } }),
  oneCue("2", { 1: { intensity: 0 } }, {}, { call: { line: "b" } }),
  oneCue("3", { 1: { intensity: 80, pan: 180 } }, {}, { call: { line: "c", word: "spring" } }),
  oneCue("4", { 5: { intensity: 10 } }),
];
const show = (): ShowSheet => smallShow(CUES, { policy: "before" }, { script: SCRIPT });
const make = (sheet: ShowSheet, ...edits: EditInput[]): ShowSheet => makeEdits(sheet, readEdits(edits)).sheet;

describe("phrases of the play", () => {
  const { script = { lines: [] } } = show().show;
  const found = (phrase: string) => phrasePlaces(script, phrase).map(({ line, word }) => `${line.id} ${splitWords(line.text)[word]}`);

  test("a phrase is found at its last word, whatever case and punctuation, wherever spoken", () => {
    expect(found("leave the LAMP")).toEqual(["a lamp.", "c lamp"]);
    expect(found("lamp")).toEqual(["a lamp.", "a lamp", "b lamp.)", "c lamp"]);
  });

  test("the last word may be only begun; a phrase may run over the end of a line", () => {
    expect(found("until spr")).toEqual(["c spring."]);
    expect(found("unt spring")).toEqual([]);
    expect(found("is mine he looks")).toEqual(["b looks"]);
  });

  test("headings are not spoken, and nothing is found for no words", () => {
    expect(found("scene")).toEqual([]);
    expect(found(" … ")).toEqual([]);
  });

  test("a cue is meant at the first place behind the one before, whole words first", () => {
    const list = listOf(show());
    const place = (row: number, phrase: string) => placeForCue(list, script, row, phrase)?.line.id;
    expect([place(0, "lamp"), place(1, "the lamp"), place(3, "leave the lamp")]).toEqual(["a", "a", "a"]);
    expect(place(2, "leave the lamp")).toBe("c");
    expect(place(2, "nothing of the kind")).toBeUndefined();
  });

  test("the lines between two cues are those from one call to the other, headings left out", () => {
    const list = listOf(show());
    expect(linesBetweenCues(list, script, 0, 2)).toEqual(["a", "b", "c"]);
    expect(linesBetweenCues(list, script, 1, 1)).toEqual(["b"]);
    expect(linesBetweenCues(list, script, 0, 3)).toEqual([]);
    expect(linesBetweenCues(list, script, 2, 3)).toEqual([]);
  });
});

describe("typed lines of the play", () => {
  const context = (sheet: ShowSheet): LineContext => ({ sheet, list: listOf(sheet), cues: undefined });
  const asked = (text: string, sheet = show()) => {
    const read = readLine(text, context(sheet));
    return "fault" in read ? read.fault.message : read.request;
  };
  const edits = (text: string) => {
    const request = asked(text);
    return typeof request === "object" && request.kind === "edit" ? request.edits : request;
  };

  test("a cue is called on or after the last word of a phrase, or nowhere", () => {
    const at = { op: "setCue", list: "main", from: "3", to: "3" };
    expect(edits('#3: call "leave the lamp"')).toEqual([{ ...at, call: { line: "c", word: "lamp", kind: "on" } }]);
    expect(edits('#3 call after "spring"')).toEqual([{ ...at, call: { line: "c", word: "spring", kind: "after" } }]);
    expect(edits('#2: call "the lamp is"')).toEqual([{ ...at, from: "2", to: "2", call: { line: "a", word: "is", kind: "on" } }]);
    expect(edits("#3: call none")).toEqual([{ ...at, call: null }]);
    expect(edits('#1: call "the lamp is mine. He looks at the lamp"')).toEqual([
      { ...at, from: "1", to: "1", call: { line: "b", word: "lamp", kind: "on" } },
    ]);
  });

  test("silence and pace are set between two cues' calls, pace and standby for the whole play", () => {
    expect(edits("quiet #1..2")).toEqual([{ op: "setLines", lines: ["a", "b"], quiet: true }]);
    expect(edits("not quiet #3")).toEqual([{ op: "setLines", lines: ["c"], quiet: false }]);
    expect(edits("script pace 142 standby 4")).toEqual([{ op: "setScript", pace: 142, standby: 4 }]);
    expect(edits("script standby none")).toEqual([{ op: "setScript", standby: null }]);
    expect(edits("script pace 90 in #1..2")).toEqual([{ op: "setLines", lines: ["a", "b"], pace: 90 }]);
  });

  test("the caller and the door for programs outside", () => {
    expect(asked("call at 20")).toEqual({ kind: "caller", speed: 20 });
    expect(asked("call from #12 at 5")).toEqual({ kind: "caller", speed: 5, from: "12" });
    expect(asked("call")).toEqual({ kind: "caller", speed: 1 });
    expect(asked("call stop")).toEqual({ kind: "callerLeaves" });
    expect(asked('begin run "Second dress"')).toEqual({ kind: "logRun", begins: true, name: "Second dress" });
    expect(asked("begin run")).toEqual({ kind: "logRun", begins: true });
    expect(asked("end run")).toEqual({ kind: "logRun", begins: false });
    expect(asked("run")).toEqual({ kind: "view", view: "run" });
    expect(asked("osc on")).toEqual({ kind: "osc", on: true });
    expect(asked("osc off")).toEqual({ kind: "osc", on: false });
    expect(asked("book")).toEqual({ kind: "view", view: "book" });
  });

  test("what cannot be done is said in words", () => {
    expect(asked('#3: call "nothing of the kind"')).toContain("Nobody says “nothing of the kind”");
    expect(asked('#1..3: call "lamp"')).toContain("Only one cue is called at a word");
    expect(asked('#7: call "lamp"')).toContain("There is no cue 7");
    expect(asked("quiet #1..4")).toContain("is not called in the script");
    expect(asked("script standby 4 in #1..2")).toContain("one for the whole script");
    expect(asked("script pace 0")).toContain("0 words a minute");
    expect(asked("call at 100")).toContain("1 to 60 times");
    expect(asked("quiet #1..2", sheetOf({ ...show().show, script: undefined }))).toContain("no script yet");
  });
});

describe("what a change of the play does", () => {
  test("lines, length, times between cues and marks are told", () => {
    const before = show();
    // The mover is dark from cue 2 on and turns 2 s: 5 s of business leave it time, none does not.
    const after = make(
      before,
      { op: "setLines", lines: ["b"], seconds: 0 },
      { op: "setCue", from: "3", to: "3", call: { line: "c", word: "Leave" } },
    );
    const impact = scriptImpact(before, after, "main");
    expect(impact.lines).toEqual({ changed: 1, come: 0, gone: 0 });
    expect(impact.length).toEqual({ before: 18, after: 13 });
    expect(impact.gaps).toEqual([{ cue: "3", since: "2", before: 9, after: 0 }]);
    expect(impact.late).toEqual(["1 in 3"]);
    expect(scriptImpactWords(impact)).toEqual([
      "In the script: 1 line changed",
      "The play takes 5 s less: 13 s",
      "Cue 3 comes 0 s after 2, before it was 9 s",
      "Too little time to be prepared then: 1 in 3",
    ]);
    expect(scriptImpactWords(scriptImpact(after, before, "main")).at(-1)).toBe("Enough time to be prepared then: 1 in 3");
  });

  test("what changes no time says nothing", () => {
    const before = show();
    expect(scriptImpactWords(scriptImpact(before, make(before, { op: "setCue", from: "1", to: "1", label: "x" }), "main"))).toEqual([]);
  });

  test("a cue that loses its place is told of", () => {
    const before = show();
    const { gaps } = scriptImpact(before, make(before, { op: "setCue", from: "3", to: "3", call: null }), "main");
    expect(gaps).toEqual([{ cue: "3", since: "2", before: 9, after: null }]);
  });
});

describe("words of the history, and what Check says", () => {
  test("edits of the play are told as people speak of them", () => {
    const told = (edit: EditInput): string => describeEdits(readEdits(edit));
    expect(told({ op: "setScript", pace: 142, standby: null })).toBe("The script: pace 142, standby none");
    expect(told({ op: "setLines", lines: ["a", "b"], quiet: true })).toBe("2 lines of the script: quiet");
    expect(told({ op: "setLines", lines: ["a"], text: "x", who: null })).toBe("Line a of the script: words changed, said by none");
    expect(told({ op: "setText", text: "" })).toBe("Text of the script");
    expect(told({ op: "setText", text: "", first: "a", last: "c" })).toBe("Text of the script from a to c");
    expect(told({ op: "setCue", from: "3", to: "3", call: { line: "c", word: "lamp", nth: 2, kind: "after" } })).toBe(
      "Cue 3: called after “lamp” (2), line c",
    );
    expect(told({ op: "setCue", from: "3", to: "3", call: null })).toBe("Cue 3: called nowhere");
  });

  test("call-adrift: a call on a word that its line does not say", () => {
    const found = (call: object) =>
      checkSheet(make(show(), { op: "setCue", from: "3", to: "3", call: call as { line: string } })).filter(
        ({ code }) => code === "call-adrift",
      );
    expect(found({ line: "c", word: "autumn" })).toMatchObject([{ cue: "3", severity: "warning" }]);
    expect(found({ line: "a", word: "lamp", nth: 3 })).toHaveLength(1);
    expect(found({ line: "a", word: "LAMP", nth: 2 })).toEqual([]);
    expect(found({ line: "c" })).toEqual([]);
  });

  test("call-needless: a cue that follows and is called too; taking the call away mends it", () => {
    const sheet = make(show(), {
      op: "setCue",
      from: "3",
      to: "3",
      call: { line: "c" },
      trigger: { type: "follow", from: "complete", after: 1 },
    });
    const found = checkSheet(sheet).filter(({ code }) => code === "call-needless");
    expect(found).toMatchObject([{ cue: "3", severity: "warning" }]);
    expect(checkSheet(make(sheet, ...(found[0]?.mend ?? []))).filter(({ code }) => code === "call-needless")).toEqual([]);
    const pressed = make(sheet, { op: "setCue", from: "3", to: "3", trigger: null });
    expect(checkSheet(pressed).filter(({ code }) => code === "call-needless")).toEqual([]);
  });
});
