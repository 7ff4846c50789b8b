import { type ListSheet, ShowError, allLooks, listOf, lookAt, parseShow, readRun, rehearse, rowOf, scheduleFrom, sheetOf } from "@zm/core";

/** What may be written behind a command. */
export interface Options {
  cue?: string | undefined;
  all?: boolean | undefined;
  list?: string | undefined;
  from?: string | undefined;
  run?: string | undefined;
  at?: string | undefined;
}

/** A headless command: from the text of a show to the value it prints. */
type Command = (show: string, options: Options, read: (file: string) => string) => unknown;

/** The headless commands by name; each only calls the core. */
export const commands: ReadonlyMap<string, Command> = new Map<string, Command>([
  ["look", look],
  ["schedule", schedule],
  ["play", play],
]);

function open(show: string, options: Options): ListSheet {
  return listOf(sheetOf(parseShow(show)), options.list);
}

function look(show: string, options: Options): unknown {
  if (options.all) return allLooks(open(show, options));
  const cue = needed(options.cue, "look", "--cue N, or --all");
  const list = open(show, options);
  return lookAt(list, rowOf(list, cue));
}

function schedule(show: string, options: Options): unknown {
  const from = needed(options.from, "schedule", "--from N");
  const list = open(show, options);
  return scheduleFrom(list, rowOf(list, from));
}

function play(show: string, options: Options, read: (file: string) => string): unknown {
  const file = needed(options.run, "play", "--run RUN.json");
  const moments = needed(options.at, "play", "--at with moments in seconds, such as 0,1.5").split(",").map(momentOf);
  return rehearse(open(show, options), readRun(json(read(file), file)), moments);
}

function momentOf(text: string): number {
  const seconds = Number(text);
  if (text.trim() !== "" && Number.isFinite(seconds) && seconds >= 0) return seconds;
  throw new ShowError(`play: "${text}" in --at is not a moment in seconds`);
}

function json(text: string, file: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new ShowError(`${file} is not JSON`);
  }
}

function needed(value: string | undefined, command: string, what: string): string {
  if (value !== undefined) return value;
  throw new ShowError(`${command}: give ${what}`);
}
