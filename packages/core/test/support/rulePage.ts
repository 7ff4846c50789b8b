import {
  type LineRequest,
  type Show,
  type ShowSheet,
  allLooks,
  cueDuration,
  listOf,
  ShowError,
  makeEdits,
  playMix,
  readEdits,
  readLine,
  readMixRun,
  readShow,
  reportMarks,
  rowOf,
  sheetOf,
} from "../../src/index.ts";

/** An example of a page of rules: the heading that it stands under, where it begins, and its lines. */
export interface RuleExample {
  readonly heading: string;
  readonly line: number;
  readonly lines: readonly string[];
}

/** The examples of a page, in their order. */
export function examplesOf(page: string): RuleExample[] {
  const examples: RuleExample[] = [];
  let heading = "";
  let open: string[] | null = null;
  for (const [index, text] of page.split("\n").entries()) {
    if (open && text === "```") open = null;
    else if (open) open.push(text);
    else if (text.startsWith("## ")) heading = text.slice(3);
    else if (text === "```rule") {
      open = [];
      examples.push({ heading, line: index + 1, lines: open });
    }
  }
  return examples;
}

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };

const partAt = (channel: number, level: number): object => ({ number: 1, times: {}, moves: { [channel]: { intensity: level } } });

/** The rig of every example, a list without cues, and what runs beside it. */
export function emptyShow(): Show {
  return readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "Rules",
    fixtureTypes: [
      { id: "lamp", name: "Lamp", attributes: [intensity] },
      {
        id: "head",
        name: "Head",
        attributes: [
          intensity,
          { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 90 },
          { id: "red", family: "colour", min: 0, max: 100, home: 0 },
          { id: "gobo", family: "beam", min: 0, max: 8, home: 0, snap: true },
        ],
      },
    ],
    channels: [1, 2, 3, 4, 11, 12].map((number) => ({ number, type: number < 10 ? "lamp" : "head" })),
    palettes: [{ id: "dusk", family: "colour", label: "Dusk", values: [{ attribute: "red", value: 60 }] }],
    lists: [
      { id: "main", label: "Main", marks: { policy: "before" }, cues: [] },
      { id: "tower", label: "Tower", cues: [80, 30].map((level, row) => ({ number: String(row + 1), parts: [partAt(1, level)] })) },
    ],
    heldLooks: [{ id: "work", label: "Work", values: { 2: { intensity: 60 } }, fade: 2 }],
  });
}

/** What a typed line asks of the show. Throws with the words that a user would get. */
function asked(text: string, sheet: ShowSheet): LineRequest {
  const read = readLine(text, { sheet, list: listOf(sheet), cues: undefined });
  if ("fault" in read) throw new ShowError(read.fault.message);
  return read.request;
}

/** A show while an example is gone through. */
export class RuleShow {
  private sheet = sheetOf(emptyShow());
  private run: object[] = [];
  private refusal: string | null = null;

  /** Types a line, or presses what `play:` says. What is refused is kept for the expectation behind it. */
  type(line: string): void {
    this.expectNothingRefused();
    if (line.startsWith("play:")) {
      this.run = line.slice("play:".length).split(",").map(pressOf);
      return;
    }
    try {
      const request = asked(line, this.sheet);
      if (request.kind !== "edit") throw new Error(`"${line}" is a line for ${request.kind}, not an edit`);
      this.sheet = makeEdits(this.sheet, readEdits(request.edits)).sheet;
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      this.refusal = error.message;
    }
  }

  /** What an expectation speaks of, as the show has it, in the words of the page. */
  answer(expectation: string): string {
    const [, what = "", rest = ""] = /^([^:]*):?(.*)$/.exec(expectation) ?? [];
    const [kind = "", ...where] = what.split(" ");
    if (kind === "refused") {
      const words = this.refusal ?? "nothing was refused";
      this.refusal = null;
      return words.includes(rest.trim()) ? expectation : `refused: ${words}`;
    }
    this.expectNothingRefused();
    const keys = rest.split(",").flatMap((each) => (each.trim() === "" ? [] : [each.trim()]));
    if (kind === "stored") return this.stored(where[0] ?? "");
    if (kind === "lasts") return `lasts ${where[0] ?? ""}: ${short(cueDuration(this.list, rowOf(this.list, where[0] ?? "")))}`;
    if (kind === "prepared") return this.prepared(where[1] ?? "");
    const told = keys.map((each) => this.told(kind, where[0] ?? "", /^\d+( [a-z]+)?(?= (=|unset|from))/.exec(each)?.[0] ?? each));
    return `${what}: ${told.join(", ")}`;
  }

  expectNothingRefused(): void {
    if (this.refusal !== null) throw new Error(`Refused, and the page does not say so: ${this.refusal}`);
  }

  private get list() {
    return listOf(this.sheet);
  }

  private told(kind: string, where: string, key: string): string {
    const [channel = "", attribute = "intensity"] = key.split(" ");
    if (kind === "at") {
      const [sample] = playMix(this.sheet, readMixRun(this.run), [Number(where)]);
      return `${key} = ${short(sample?.values[channel]?.[attribute] ?? Number.NaN)}`;
    }
    const value = allLooks(this.list).find(({ cue }) => cue === where)?.values[channel]?.[attribute];
    if (kind === "origin") return `${key} from ${value?.origin ?? "nowhere"}`;
    return value ? `${key} = ${short(value.value)}` : `${key} unset`;
  }

  private stored(cue: string): string {
    const parts = this.list.cues.find(({ number }) => number === cue)?.parts ?? [];
    const moves = parts.flatMap((part) =>
      Object.entries(part.moves).flatMap(([channel, own]) =>
        Object.entries(own).map(
          ([attribute, move]) => `${channel}${attribute === "intensity" ? "" : ` ${attribute}`} = ${JSON.stringify(move)}`,
        ),
      ),
    );
    return `stored ${cue}:${moves.length === 0 ? "" : ` ${moves.join(", ")}`}`;
  }

  private prepared(cue: string): string {
    const marks = reportMarks(this.list, undefined).filter(({ calledAt }) => calledAt === cue);
    return `prepared for ${cue}: ${marks.map(({ channel, markAt, needed }) => `${channel} in ${markAt ?? "view"}, needs ${short(needed)}`).join(", ")}`;
  }
}

/** "go at 4", "goto 2 at 10", "tower go at 2", "tower release in 4 at 6", "main master 50 in 2 at 4" and "work at 80 at 2" as a run has them. */
function pressOf(text: string): object {
  const over = overAll(text);
  if (over) return over;
  const [, list, what = "", cue, level, look, seconds, t] =
    /^\s*(?:(tower|main) )?(?:(go|release)|goto (\S+)|master (\d+)|work at (\d+))(?: in (\d+))? at ([\d.]+)\s*$/.exec(text) ?? [];
  if (t === undefined) throw new Error(`"${text.trim()}" is no press; write go at 4, goto 2 at 10 or tower go at 2`);
  const time = seconds === undefined ? {} : { time: Number(seconds) };
  const at = { t: Number(t), ...(list === undefined ? {} : { list }), ...time };
  if (cue !== undefined) return { ...at, goto: cue };
  if (level !== undefined) return { ...at, master: Number(level) };
  return look === undefined ? { ...at, [what]: true } : { t: Number(t), look: "work", level: Number(look), ...time };
}

/** "grand 50 in 2 at 1", "blackout at 1", "light at 3" (the blackout ends) and "all off in 2 at 1"; "solo work at 1", "solo off at 2", "park 2.intensity 30 at 1". */
function overAll(text: string): object | undefined {
  const [, alone, key, value, when] = /^\s*(?:solo (\w+)|park (\S+) (\d+)) at ([\d.]+)\s*$/.exec(text) ?? [];
  if (key !== undefined) return { t: Number(when), park: { [key]: Number(value) } };
  if (alone !== undefined) return { t: Number(when), solo: alone === "off" ? null : { look: alone } };
  const [, grand, what, seconds, t] = /^\s*(?:grand (\d+)|(blackout|light|all off))(?: in (\d+))? at ([\d.]+)\s*$/.exec(text) ?? [];
  if (t === undefined) return undefined;
  const at = { t: Number(t), ...(seconds === undefined ? {} : { time: Number(seconds) }) };
  if (grand !== undefined) return { ...at, grand: Number(grand) };
  return what === "all off" ? { ...at, allOff: true } : { ...at, blackout: what === "blackout" };
}

function short(value: number): string {
  return String(Math.round(value * 1e6) / 1e6 + 0);
}
