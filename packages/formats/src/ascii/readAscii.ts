import { ShowError, isCueNumber, readSeconds } from "@zm/core";
import type { Remark } from "../report/remark.ts";
import type { AsciiAside, AsciiFile, AsciiPatch } from "./asciiFile.ts";
import { readLevel } from "./figures.ts";
import { type AsciiRecord, recordsOf } from "./records.ts";
import { type Item, type Open, type OpenCue, opened } from "./openItem.ts";
import { OUR_MAKER, OWN_LINES } from "./ownLines.ts";

const MOST_CHANNEL = 99_999;
/** Words that begin something which a cue list has no place for; lines under them belong to it and not to the cue before. */
const ELSEWHERE: ReadonlySet<string> = new Set(["EFFECT", "MACRO", "CHASE"]);
/** A file may have so many faults before the rest is not told any more. */
const MOST_FAULTS = 200;

/**
 * Reads an ASCII text, version 3.0 of the USITT's representation for lighting data. Throws ShowError with a sentence for each line that is not well
 * formed, with its number; then nothing is returned. What is well formed and has no place here stands in `remarks`.
 * Lines of a maker's own are kept aside; ours say exactly what the text rounds.
 */
export function readAscii(text: string): AsciiFile {
  if (text.includes("\u0000")) throw new ShowError("This is no text: it holds bytes that no text has. An ASCII list is a plain text file");
  const reader = new AsciiReader();
  const records = recordsOf(text.replace(/^\uFEFF/, ""));
  const first = records.find(({ keyword }) => keyword !== "!");
  if (first?.keyword !== "IDENT")
    throw new ShowError(`Line ${first?.line ?? 1}: the first line says which text this is, as "Ident 3:0"; this is no ASCII list`);
  for (const record of records) reader.read(record);
  return reader.file();
}

class AsciiReader {
  private readonly faults: string[] = [];
  private readonly remarks: Remark[] = [];
  private readonly cues: OpenCue[] = [];
  private readonly groups: Open<"GROUP">[] = [];
  private readonly subs: Open<"SUB">[] = [];
  private readonly patch: AsciiPatch[] = [];
  private readonly aside: AsciiAside[] = [];
  private readonly pages = new Map<number, string>();
  private readonly seen = new Set<string>();
  private maker = "";
  private title = "";
  private hasBegun = false;
  private cue: OpenCue | undefined;
  private open: Item | undefined;
  /** Under something that has no place here: what belongs to it is kept aside with it. */
  private isAside = false;

  read(record: AsciiRecord): void {
    if (record.keyword === "!") return this.comment(record);
    if (record.keyword.startsWith("$")) return this.ownLine(record);
    if (ELSEWHERE.has(record.keyword)) return this.beginAside(record);
    const work = this.work[record.keyword];
    if (work) work(record);
    else this.keep(record, `"${record.keyword}" is no word of the standard: ${shown(record)}`);
  }

  file(): AsciiFile {
    if (this.faults.length > 0) throw new ShowError(this.faults);
    const { title, maker, pages, patch, aside, remarks } = this;
    return { title, maker, pages, patch, aside, remarks, cues: this.cues, groups: this.groups, subs: this.subs };
  }

  private readonly work: Readonly<Record<string, (record: AsciiRecord) => void>> = {
    IDENT: (record) => {
      if (!/^3[:.]0$/.test(record.words[0] ?? ""))
        this.fault(record, `version "${record.rest}" is not one that can be read; this program reads 3:0`);
    },
    MANUFACTURER: (record) => (this.maker = record.rest),
    CONSOLE: () => undefined,
    CLEAR: () => this.close(),
    ENDDATA: () => this.close(),
    SET: (record) => this.remark("left", record, `the setting "${record.rest}" belongs to another desk`),
    PATCH: (record) => this.readPatch(record),
    CUE: (record) => this.beginCue(record),
    PART: (record) => this.beginPart(record),
    GROUP: (record) => this.beginItem("GROUP", record),
    SUB: (record) => this.beginItem("SUB", record),
    TEXT: (record) => this.within(record, (open) => (open.text = open.text === "" ? record.rest : `${open.text} ${record.rest}`)),
    CHAN: (record) => this.within(record, (open) => this.readLevels(record, open)),
    UP: (record) => this.within(record, (open) => this.readTimes(record, open, "up", "upDelay")),
    DOWN: (record) => this.within(record, (open) => this.readTimes(record, open, "down", "downDelay")),
    FOLLOWON: (record) => this.withinCue(record, (cue) => (cue.followOn = this.seconds(record, record.words[0]))),
    LINK: (record) => this.withinCue(record, (cue) => (cue.link = this.cueNumber(record, record.words[0]))),
  };

  private fault({ line }: AsciiRecord, words: string): void {
    if (this.faults.length < MOST_FAULTS) this.faults.push(`Line ${line}: ${words}`);
  }

  private remark(kind: Remark["kind"], { line }: AsciiRecord, words: string): void {
    this.remarks.push({ kind, line, words });
  }

  /** Keeps a line as it stands, with the cue that it stands under. */
  private keep(record: AsciiRecord, words: string): void {
    this.keepText(record);
    this.remark("kept", record, words);
  }

  private keepText({ line, keyword, rest }: AsciiRecord): void {
    const { page, number } = this.cue ?? {};
    const text = `${keyword} ${rest}`.trim();
    this.aside.push({ line, text, ...(page === undefined || number === undefined ? {} : { cue: { page, number } }) });
  }

  private close(): void {
    this.hasBegun = true;
    this.isAside = false;
    this.open = this.cue = undefined;
  }

  private beginAside(record: AsciiRecord): void {
    this.close();
    this.isAside = true;
    this.keep(record, `a list here has no such thing, nor what belongs to it: ${shown(record)}`);
  }

  private within(record: AsciiRecord, work: (open: Item) => void): void {
    if (this.open) work(this.open);
    else if (this.isAside) this.keepText(record);
    else this.fault(record, `${record.keyword} stands under no cue, group or submaster`);
  }

  private withinCue(record: AsciiRecord, work: (cue: OpenCue) => void): void {
    if (this.cue) work(this.cue);
    else if (this.isAside) this.keepText(record);
    else this.fault(record, `${record.keyword} stands under no cue`);
  }

  private comment(record: AsciiRecord): void {
    if (this.open) this.open.comments.push(record.rest);
    else if (!this.hasBegun && this.title === "") this.title = record.rest;
  }

  private ownLine(record: AsciiRecord): void {
    const own = this.maker === OUR_MAKER ? OWN_LINES[record.keyword] : undefined;
    if (!own && !record.keyword.startsWith("$$")) return this.beginAside(record);
    if (!own) return this.keep(record, `a line of the maker's own: ${shown(record)}`);
    const fault = own({ ...record, open: this.open, cue: this.cue, pages: this.pages });
    if (fault !== undefined) this.fault(record, fault);
  }

  private beginCue(record: AsciiRecord): void {
    this.close();
    const [word = "", page = "1"] = record.words;
    const number = this.cueNumber(record, word);
    if (!/^[1-9]\d{0,3}$/.test(page)) return this.fault(record, `"${page}" is not a page; pages are whole numbers from 1`);
    if (number === undefined || this.isTwice(record, `cue ${number} of page ${page}`)) return;
    const cue: OpenCue = { ...opened("CUE", record, number), page: Number(page), parts: new Map() };
    this.cues.push(cue);
    this.open = this.cue = cue;
  }

  private beginPart(record: AsciiRecord): void {
    if (!this.cue) return this.withinCue(record, () => undefined);
    const word = record.words[0] ?? "";
    if (!/^[1-9]\d?$/.test(word)) return this.fault(record, `"${word}" is not a part; parts count from 1 to 99`);
    const { number, page, parts } = this.cue;
    if (this.isTwice(record, `part ${word} of cue ${number} of page ${page}`)) return;
    const part = opened("PART", record, word);
    parts.set(Number(word), part);
    this.open = part;
  }

  private beginItem(kind: "GROUP" | "SUB", record: AsciiRecord): void {
    this.close();
    const number = record.words[0] ?? "";
    if (!/^\d{1,6}(\.\d{1,3})?$/.test(number)) return this.fault(record, `"${number}" is not the number of a ${NAMES[kind]}`);
    if (this.isTwice(record, `${NAMES[kind]} ${number}`)) return;
    if (kind === "GROUP") this.groups.push(this.keepOpen(opened(kind, record, number)));
    else this.subs.push(this.keepOpen(opened(kind, record, number)));
  }

  private keepOpen<T extends Item>(item: T): T {
    this.open = item;
    return item;
  }

  private isTwice(record: AsciiRecord, name: string): boolean {
    const isTwice = this.seen.has(name);
    if (isTwice) this.fault(record, `${name} stands in the text twice`);
    this.seen.add(name);
    return isTwice;
  }

  private readLevels(record: AsciiRecord, open: Item): void {
    if (record.words.length % 2 === 1)
      return this.fault(record, `CHAN has channels and levels by turns, as "1@50 2@FL"; one is missing in ${shown(record)}`);
    for (let at = 0; at < record.words.length; at += 2) {
      const channel = this.channel(record, record.words[at] ?? "");
      const word = record.words[at + 1] ?? "";
      const level = readLevel(word);
      if (level === undefined) this.fault(record, `"${word}" is not a level; levels are 00 to 99, FL, or H00 to HFF`);
      else if (channel !== undefined) this.setLevel(record, open, channel, level);
    }
  }

  private setLevel(record: AsciiRecord, open: Item, channel: number, level: number): void {
    const before = open.levels.get(channel);
    if (before !== undefined && before !== level)
      this.remark("changed", record, `channel ${channel} stands twice here, at ${before} and at ${level}; the last counts`);
    open.levels.set(channel, level);
  }

  private readTimes(record: AsciiRecord, open: Item, time: "up" | "down", delay: "upDelay" | "downDelay"): void {
    const [first, second] = record.words;
    const fade = this.seconds(record, first);
    const wait = second === undefined ? undefined : this.seconds(record, second);
    open.times = {
      ...open.times,
      ...(fade === undefined ? {} : { [time]: fade }),
      ...(wait === undefined || wait === 0 ? {} : { [delay]: wait }),
    };
  }

  private readPatch(record: AsciiRecord): void {
    this.close();
    const words = record.words.length % 3 === 1 ? record.words.slice(1) : record.words;
    if (words.length === 0 || words.length % 3 !== 0)
      return this.fault(record, `PATCH has a page, then channel, dimmer and level by turns, as "1 5<12@FL"; this is ${shown(record)}`);
    for (let at = 0; at < words.length; at += 3) {
      const channel = this.channel(record, words[at] ?? "");
      const [dimmer = "", word = ""] = [words[at + 1], words[at + 2]];
      const level = readLevel(word);
      if (!/^[1-9]\d{0,7}$/.test(dimmer)) this.fault(record, `"${dimmer}" is not a dimmer; dimmers are whole numbers from 1`);
      else if (level === undefined) this.fault(record, `"${word}" is not a level; levels are 00 to 99, FL, or H00 to HFF`);
      else if (channel !== undefined) this.patch.push({ line: record.line, channel, dimmer: Number(dimmer), level });
    }
  }

  private channel(record: AsciiRecord, word: string): number | undefined {
    const channel = /^\d{1,6}$/.test(word) ? Number(word) : 0;
    if (channel >= 1 && channel <= MOST_CHANNEL) return channel;
    this.fault(record, `"${word}" is not a channel; channels are whole numbers from 1 to ${MOST_CHANNEL}`);
    return undefined;
  }

  private seconds(record: AsciiRecord, word = ""): number | undefined {
    const seconds = readSeconds(word);
    if (seconds === undefined) this.fault(record, `"${word}" is not a time; times are seconds, as 2.5, or minutes and seconds, as 1:30`);
    return seconds;
  }

  private cueNumber(record: AsciiRecord, word = ""): string | undefined {
    if (isCueNumber(word)) return word;
    this.fault(record, `"${word}" is not a cue number; write digits with at most three decimal places`);
    return undefined;
  }
}

const NAMES = { GROUP: "group", SUB: "submaster" } as const;

function shown({ keyword, rest }: AsciiRecord): string {
  const whole = `${keyword} ${rest}`.trim();
  return whole.length > 60 ? `${whole.slice(0, 57)} …` : whole;
}
