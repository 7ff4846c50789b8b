import { ShowError, allLooks, sheetOf } from "@zm/core";
import fc from "fast-check";
import { type LevelsMean, looksThatDiffer, showOfAscii } from "../../src/ascii/asciiShow.ts";
import { readAscii } from "../../src/ascii/readAscii.ts";

/** A list as another desk may write it: levels in all three ways, a part, a follow-on, a link, and lines of its own. */
const LIST = `Ident 3:0
Manufacturer Somebody
Console Desk
! A Winter Evening
Clear All
Set Channels 200
Patch 1 1<1@FL 2<514@FL 3<3@50 1<9@FL

Group 4
 Text Footlights
 Chan 1@FL,2@FL

Sub 2
 Text Warmers
 Up 3
 Chan 5@H80 6@20

Cue 1
 Text Preset
 Up 5
 Down 1:30 2
 Chan 1@50 2/FL 3=00
$$Colour 1 blue
Cue 2.5
 Text Door opens
 ! slowly, with the door
 Up 2 0.5
 Followon 4
 Chan 1@50 3@25
Cue 10
 Up 1
 Part 1
  Chan 1@10
 Part 2
  Text window
  Up 8
  Down 9
  Chan 3@FL
 Link 1
EndData
Cue 99
 Chan 1@FL
`;

const read = (text: string, levels: LevelsMean = "looks") => showOfAscii(readAscii(text), { levels, followFrom: "go", title: "File" });

function faultsOf(text: string): readonly string[] {
  try {
    readAscii(text);
  } catch (error) {
    if (error instanceof ShowError) return error.faults;
    throw error;
  }
  return [];
}

describe("a list as ASCII text, on the way in", () => {
  test("gives cues with times, parts, labels, notes and follows, and a rig with its patch", () => {
    const { show } = read(LIST);
    expect(show.title).toBe("A Winter Evening");
    expect(show.channels.map(({ number, patch }) => [number, patch?.universe, patch?.address])).toEqual([
      [1, 1, 1],
      [2, 2, 2],
      [3, 1, 3],
      [5, undefined, undefined],
      [6, undefined, undefined],
    ]);
    expect(show.channels[0]?.patch?.more).toEqual([{ universe: 1, address: 9 }]);
    expect(show.channels[2]?.patch).toEqual({ universe: 1, address: 3, level: 50 });
    expect(show.groups).toEqual([{ id: "footlights", label: "Footlights", channels: [1, 2] }]);
    expect(show.heldLooks).toMatchObject([{ label: "Warmers", fade: 3, values: { 5: { intensity: 50.2 }, 6: { intensity: 20 } } }]);
    const [first, second, third] = show.lists[0]?.cues ?? [];
    expect(show.lists[0]?.cues.map(({ number }) => number)).toEqual(["1", "2.5", "10"]);
    expect(first).toMatchObject({ label: "Preset", parts: [{ times: { up: 5, down: 90, downDelay: 2 } }] });
    expect(second).toMatchObject({ label: "Door opens", note: "slowly, with the door", parts: [{ times: { up: 2, upDelay: 0.5 } }] });
    expect(third).toMatchObject({ trigger: { type: "follow", from: "go", after: 4 } });
    expect(third?.parts).toMatchObject([
      { number: 1, times: { up: 1 }, moves: { 1: { intensity: 10 } } },
      { number: 2, label: "window", times: { up: 8, down: 9 }, moves: { 3: { intensity: 100 } } },
    ]);
  });

  test("keeps, of whole looks, what changes; every level; or the moves as they stand", () => {
    const second = (levels: LevelsMean) => read(LIST, levels).show.lists[0]?.cues[1]?.parts[0]?.moves;
    expect(second("looks")).toEqual({ 2: { intensity: 0 }, 3: { intensity: 25 } });
    expect(second("stored")).toEqual({ 1: { intensity: 50 }, 2: { intensity: 0 }, 3: { intensity: 25 } });
    expect(second("moves")).toEqual({ 1: { intensity: 50 }, 3: { intensity: 25 } });
    expect(looksThatDiffer(readAscii(LIST))).toBe(2);
  });

  test("shows the same pictures whether changes or all levels are kept", () => {
    const pictures = (levels: LevelsMean) =>
      allLooks(sheetOf(read(LIST, levels).show).lists.get("main") ?? neverHere()).map(({ values }) =>
        Object.entries(values).flatMap(([channel, { intensity }]) => (intensity?.value ? [[channel, intensity.value]] : [])),
      );
    expect(pictures("looks")).toEqual([
      [
        ["1", 50],
        ["2", 100],
      ],
      [
        ["1", 50],
        ["3", 25],
      ],
      [
        ["1", 10],
        ["3", 100],
      ],
    ]);
    expect(pictures("stored")).toEqual(pictures("looks"));
  });

  test("tells line by line what is not carried", () => {
    const { remarks } = read(LIST);
    expect(remarks.map(({ kind, line, words }) => `${kind} ${line ?? 0} ${words}`)).toEqual([
      'left 6 the setting "Channels 200" belongs to another desk',
      "kept 23 a line of the maker's own: $$COLOUR 1 blue",
      "left 30 cue 10 leads to cue 1; a Go here takes the next cue by number",
    ]);
  });

  test("makes a way on that is not the next cue an action", () => {
    const { show, remarks } = read("Ident 3:0\nCue 1\nChan 1@50\nFollowon 3\nLink 3\nCue 2\nCue 3\nChan 1@00");
    expect(show.lists[0]?.cues.map(({ trigger, actions }) => [trigger, actions])).toEqual([
      [undefined, [{ do: "goto", list: "main", cue: "3", after: 3 }]],
      [undefined, undefined],
      [undefined, undefined],
    ]);
    expect(remarks).toEqual([{ kind: "changed", line: 2, words: "cue 1 goes on to cue 3 after 3 s: made an action of the cue" }]);
  });

  test("keeps aside with its levels what is no cue list", () => {
    const { show, remarks } = read("Ident 3:0\nCue 1\nChan 1@50\nEffect 7\nChan 1@FL 9@FL\nUp 3\n$Colours 1\nText red\nCue 2\nChan 1@20");
    expect(show.channels.map(({ number }) => number)).toEqual([1]);
    expect(show.lists[0]?.cues[0]?.parts[0]?.moves).toEqual({ 1: { intensity: 50 } });
    expect(remarks.map(({ kind, line }) => [kind, line])).toEqual([
      ["kept", 4],
      ["kept", 7],
    ]);
    expect(show.notes).toEqual([{ id: "aside-1", text: "EFFECT 7\nCHAN 1@FL 9@FL\nUP 3\n$COLOURS 1\nTEXT red", asked: "in the file" }]);
  });

  test("pins a line of the maker's own to the cue that it stands under", () => {
    expect(read(LIST).show.notes).toEqual([{ id: "aside-1", text: "$$COLOUR 1 blue", list: "main", cue: "1", asked: "in the file" }]);
  });

  test.each([
    ["", "Line 1: the first line says which text this is"],
    ["Cue 1\n", "Line 1: the first line says which text this is"],
    ["Ident 2:0\n", "Line 1: version"],
    ["Ident 3:0\nCue 1.2345\n", 'Line 2: "1.2345" is not a cue number'],
    ["Ident 3:0\nCue 1\nChan 1@101\n", 'Line 3: "101" is not a level'],
    ["Ident 3:0\nCue 1\nChan 1@HGG\n", 'Line 3: "HGG" is not a level'],
    ["Ident 3:0\nCue 1\nChan 1@50 2\n", "Line 3: CHAN has channels and levels by turns"],
    ["Ident 3:0\nCue 1\nChan 0@50\n", 'Line 3: "0" is not a channel'],
    ["Ident 3:0\nChan 1@50\n", "Line 2: CHAN stands under no cue"],
    ["Ident 3:0\nCue 1\nUp soon\n", 'Line 3: "soon" is not a time'],
    ["Ident 3:0\nCue 1\n\nCue 1.0\nCue 1\n", "Line 5: cue 1 of page 1 stands in the text twice"],
    ["Ident 3:0\nCue 1\nPart 0\n", 'Line 3: "0" is not a part'],
    ["Ident 3:0\nPatch 1 5<x@FL\n", 'Line 2: "x" is not a dimmer'],
    ["Ident 3:0\nCue 1 0\n", 'Line 2: "0" is not a page'],
    ["PK\u0003\u0004\u0000", "This is no text"],
  ])("says what is wrong, and where: %j", (text, fault) => {
    expect(faultsOf(text)[0]).toContain(fault);
  });

  test("tells all faults at once", () => {
    expect(faultsOf("Ident 3:0\nCue 1\nUp x\nDown y\nChan 1@z\n")).toHaveLength(3);
  });

  test("takes a damaged text with words or not at all", () => {
    let taken = 0;
    const damage = fc.tuple(fc.nat(LIST.length), fc.nat(12), fc.string({ maxLength: 8 }));
    fc.assert(
      fc.property(fc.array(damage, { minLength: 1, maxLength: 3 }), (cuts) => {
        const text = cuts.reduce((whole, [at, length, put]) => whole.slice(0, at) + put + whole.slice(at + length), LIST);
        if (faultsOf(text).length > 0) return;
        taken += 1;
        expect(read(text).show.lists.length).toBeGreaterThan(0);
      }),
      { numRuns: 500, seed: 28 },
    );
    expect(taken).toBeGreaterThan(50);
  });
});

function neverHere(): never {
  throw new Error("the list is missing");
}
