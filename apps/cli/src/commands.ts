import {
  type Impact,
  type ListSheet,
  type ShowSheet,
  allLooks,
  checkSheet,
  compareShows,
  comparisonData,
  listOf,
  lookAt,
  makeEdits,
  orderedShow,
  paperCsv,
  paperKind,
  paperOf,
  paperPages,
  parseShow,
  readEdits,
  playMix,
  readMixRun,
  REHEARSAL_SPEEDS,
  isRehearsalSpeed,
  rehearse,
  rowOf,
  scheduleFrom,
  sheetOf,
  showJsonSchema,
  reportMarks,
} from "@zm/core";
import { convert, convertHelp } from "./convert.ts";
import { pdfOf } from "./pdf.ts";
import { TRIAL_SIZES, type TrialSize, trialShow } from "@zm/demo";
import { type Command, type Files, type Options, UsageError, jsonFile, needed } from "./command.ts";

const LIST = { list: "L" };

/** The headless commands by name; each only calls the core. */
export const commands: ReadonlyMap<string, Command> = new Map<string, Command>([
  [
    "look",
    {
      words: ["SHOW"],
      options: { cue: "N", all: "", ...LIST },
      summary: "the look of a cue, with the origin of every value; --all for the looks of all cues",
      help: "Only keys that are set are printed. `by` tells whether the cue moves the value itself or it tracks in from `origin`.",
      run: look,
    },
  ],
  [
    "schedule",
    {
      words: ["SHOW"],
      options: { from: "N", ...LIST },
      summary: "the chain that a Go on a cue starts, key by key",
      help: "From a Go on cue N at 0 up to the first cue that waits for a Go. Times are seconds; `cause` is explicit, implied or restated.",
      run: schedule,
    },
  ],
  [
    "marks",
    {
      words: ["SHOW"],
      options: LIST,
      summary: "every light that comes up somewhere new, where it moves in the dark, and the time it needs and has",
      help: "`available` is null where neither the chain nor the script knows. `report` is mark-late or mark-lit where something is wrong.",
      run: ([file = ""], options, files) => {
        const sheet = open(file, files);
        return reportMarks(listOf(sheet, options.list), sheet.show.script);
      },
    },
  ],
  [
    "play",
    {
      words: ["SHOW"],
      options: { run: "RUN.json", at: "0,0.5,1", ...LIST },
      summary: "the stage at moments of a run",
      help: 'RUN.json says what is pressed when: [{ "t": 0, "go": true }, { "t": 4, "goto": "21", "time": 0 }]; also "back" and "hold". Every key that the list ever touches is printed.',
      run: play,
    },
  ],
  [
    "rehearse",
    {
      words: ["SHOW"],
      options: { speed: "1", ...LIST },
      summary: "what an audience would see of the whole show, run in seconds against lights with their speeds",
      help: "Every cue is pressed at its call; one without a call 8 s after the one before (`assumed` names them). `findings` are sweep-seen, late, cut-short and dark-missed, each with cue, light, key, moment and how long it lasts, in seconds; a show without one is clean. A speed of 2 calls everything twice as soon.",
      run: rehearsal,
    },
  ],
  [
    "edit",
    {
      words: ["SHOW", "EDITS"],
      options: {},
      summary: "the show after edits, the impact of each, and the edits that take them back",
      help: "EDITS is one edit or an array, made in order, all or none. Feeding `inverse` back gives the identical document. `notes` tells what an edit left alone.",
      run: edit,
    },
  ],
  [
    "compare",
    {
      words: ["OLD", "NEW"],
      options: LIST,
      summary: "what is different between two states of a show, cue by cue",
      help: "Cues that came, went or took other numbers, their looks, moves and times in words; `beside` names what is different beside the cues.",
      run: ([old = "", now = ""], options, files) => {
        const [before, after] = [open(old, files), open(now, files)];
        return comparisonData(compareShows(before, after, listOf(after, options.list).id));
      },
    },
  ],
  [
    "check",
    {
      words: ["SHOW"],
      options: {},
      summary: "what is wrong or likely not meant, with the edits that mend it",
      help: "Each finding has a code, a severity (error, warning or hint), its place and a sentence; `mend` holds edits where some would mend it.",
      run: ([file = ""], _, files) => checkSheet(open(file, files)),
    },
  ],
  [
    "paper",
    {
      words: ["SHOW"],
      options: { kind: "cues", out: "FILE.pdf", from: "N", to: "N", large: "", ...LIST },
      summary: "a paper of the show as PDF or CSV: cues, changes, patch, notes or palettes",
      help: "The ending of --out decides: .pdf for pages to print, .csv for a table. --from and --to choose cues; --large sets it in large type.",
      run: paper,
    },
  ],
  [
    "convert",
    {
      words: ["IN", "OUT"],
      options: { into: "SHOW", as: "TABLE", with: "QUESTION=ANSWER", ...LIST },
      summary: "reads a file in one format and writes it in another, by file ending; tells what does not come along",
      help: convertHelp(),
      run: convert,
    },
  ],
  [
    "trial",
    {
      words: ["SIZE"],
      options: { seed: "N" },
      summary: "a made-up show for trials: small, middle or large",
      help: Object.entries(TRIAL_SIZES)
        .map(([name, size]) => `${name}: ${size.cues} cues, ${size.channels} channels`)
        .join("; ")
        .concat(". The same seed (0 to 4294967295, default 1) gives the same show."),
      run: trial,
    },
  ],
  [
    "schema",
    {
      words: [],
      options: {},
      summary: "the JSON Schema of the show document",
      help: "The same as docs/show.schema.json.",
      run: () => showJsonSchema(),
    },
  ],
]);

function open(file: string, files: Files): ShowSheet {
  return sheetOf(parseShow(files.read(file)));
}

function openList(file: string, options: Options, files: Files): ListSheet {
  return listOf(open(file, files), options.list);
}

function look([file = ""]: readonly string[], options: Options, files: Files): unknown {
  if (options.all) return allLooks(openList(file, options, files));
  const cue = needed(options.cue, "--cue N, or --all");
  const list = openList(file, options, files);
  return lookAt(list, rowOf(list, cue));
}

function schedule([file = ""]: readonly string[], options: Options, files: Files): unknown {
  const from = needed(options.from, "--from N");
  const list = openList(file, options, files);
  return scheduleFrom(list, rowOf(list, from));
}

function rehearsal([show = ""]: readonly string[], { speed = "1", list }: Options, files: Files): unknown {
  const times = Number(speed);
  if (!isRehearsalSpeed(times))
    throw new UsageError(
      `"${speed}" is no speed; give a number from ${REHEARSAL_SPEEDS.least} to ${REHEARSAL_SPEEDS.most}, such as --speed 2`,
    );
  return rehearse(open(show, files), { speed: times, list });
}

function play([file = ""]: readonly string[], options: Options, files: Files): unknown {
  const run = needed(options.run, "--run RUN.json");
  const moments = needed(options.at, "--at with moments in seconds, such as 0,1.5").split(",").map(momentOf);
  return playMix(open(file, files), readMixRun(jsonFile(run, files)), moments, options.list);
}

function momentOf(text: string): number {
  const seconds = Number(text);
  if (text.trim() !== "" && Number.isFinite(seconds) && seconds >= 0) return seconds;
  throw new UsageError(`"${text}" in --at is not a moment in seconds`);
}

function edit([file = "", edits = ""]: readonly string[], _: Options, files: Files): unknown {
  if (file === "-" && edits === "-") throw new UsageError("only one of SHOW and EDITS can be read from standard input");
  let sheet = open(file, files);
  const impact: Impact[] = [];
  const notes: string[] = [];
  const inverse: unknown[] = [];
  for (const each of readEdits(jsonFile(edits, files))) {
    const outcome = makeEdits(sheet, [each]);
    sheet = outcome.sheet;
    impact.push(outcome.impact);
    notes.push(...outcome.notes);
    inverse.unshift(...outcome.inverse);
  }
  return { show: orderedShow(sheet.show), impact, inverse, ...(notes.length > 0 ? { notes } : {}) };
}

async function paper([file = ""]: readonly string[], options: Options, files: Files): Promise<unknown> {
  const kind = paperKind(options.kind ?? "cues");
  const out = needed(options.out, "a file with --out, such as --out cues.pdf");
  if (!out.endsWith(".pdf") && !out.endsWith(".csv"))
    throw new UsageError(`"${out}": its ending names no paper that can be written; the endings are .pdf and .csv`);
  const sheet = open(file, files);
  const made = paperOf(sheet, { kind, list: options.list, from: options.from, to: options.to });
  const pages = paperPages(made, { show: sheet.show.title, made: "", large: options.large ?? false });
  files.write(out, out.endsWith(".csv") ? paperCsv(made) : await pdfOf(pages));
  return { written: out, title: made.title, lines: made.rows.length };
}

function trial([size = ""]: readonly string[], options: Options): unknown {
  const found = Object.keys(TRIAL_SIZES).find((name): name is TrialSize => name === size);
  if (!found) throw new UsageError(`"${size}" is no size; the sizes are ${Object.keys(TRIAL_SIZES).join(", ")}`);
  const seed = Number(options.seed ?? "1");
  if (!Number.isInteger(seed) || seed < 0 || seed >= 2 ** 32)
    throw new UsageError(`"${options.seed ?? ""}" is no seed; give a whole number from 0 to 4294967295`);
  return orderedShow(trialShow(found, seed));
}
