import type { Show } from "@zm/core";
import { ACT_ONE } from "./playActOne.ts";
import { ACT_TWO } from "./playActTwo.ts";

type Line = NonNullable<Show["script"]>["lines"][number];
type Call = { line: string; word?: string; kind: string };

/** A page holds about so many words. */
const WORDS_A_PAGE = 130;
/** What is done takes longer than it takes to say. Seconds. */
const DIRECTION_SECONDS = 6;

/** The play as it is read from its text: its lines, and where each cue is called. */
function readPlay(): { lines: Line[]; calls: Map<string, Call> } {
  const calls = new Map<string, Call>();
  const lines: Line[] = [];
  let words = 0;
  for (const [scene, text] of Object.entries({ ...ACT_ONE, ...ACT_TWO })) {
    lines.push({ id: scene, page: 1 + Math.floor(words / WORDS_A_PAGE), text: headingOf(scene), heading: true });
    for (const [index, written] of text.trim().split("\n").entries()) {
      const id = `${scene}.${index + 1}`;
      for (const [cue, call] of callsIn(written, id)) calls.set(cue, call);
      const line = lineOf(id, 1 + Math.floor(words / WORDS_A_PAGE), written);
      words += line.text.split(/\s+/).length;
      lines.push(line);
    }
  }
  return { lines, calls };
}

/** The heading of a scene: "I.3" is the third scene of act one. */
function headingOf(scene: string): string {
  const [act = "", number = ""] = scene.split(".");
  return `${act === "I" ? "Act one" : "Act two"}, scene ${number}`;
}

/** One line without its cues: who speaks, a colon, the words; a line that begins with ( is a direction, {12} behind it its seconds, and ~ before it asks for silence. */
function lineOf(id: string, page: number, written: string): Line {
  const quiet = written.startsWith("~");
  const [, length] = /\{(\d+)\}$/.exec(written) ?? [];
  const plain = (quiet ? written.slice(1) : written).replace(/\[[\d.]+\]|\{\d+\}$/g, "");
  const [, who, spoken] = /^([A-Z]+): (.*)$/.exec(plain) ?? [];
  return {
    id,
    page,
    ...(who === undefined ? {} : { who }),
    text: spoken ?? plain,
    ...(who === undefined ? { seconds: Number(length ?? DIRECTION_SECONDS) } : {}),
    ...(quiet ? { quiet } : {}),
  };
}

/** The cues of a line: [5] stands before the word at which cue 5 is called; right behind the bracket of a direction it is called on sight. */
function callsIn(written: string, line: string): [cue: string, call: Call][] {
  return [...written.matchAll(/(\(?)\[([\d.]+)\]([\w'-]*)/g)].map(([, bracket, cue = "", word = ""]) => [
    cue,
    bracket === "(" ? { line, kind: "visual" } : { line, word, kind: "on" },
  ]);
}

const play = readPlay();

/** The play line by line, at a speaking pace of 140 words a minute. */
export const script: NonNullable<Show["script"]> = { pace: 140, lines: play.lines };

/** Where a cue is called in the play; undefined for one that follows by itself, or that the house and not the play gives. */
export function callOf(cue: string): Call | undefined {
  return play.calls.get(cue);
}
