import { parseArgs } from "node:util";
import { ShowError, thereIsNo } from "@zm/core";
import { type Command, type Files, type Options, UsageError } from "./command.ts";
import { commands } from "./commands.ts";

const OPTIONS = {
  cue: { type: "string" },
  all: { type: "boolean" },
  list: { type: "string" },
  from: { type: "string" },
  run: { type: "string" },
  at: { type: "string" },
  seed: { type: "string" },
  kind: { type: "string" },
  out: { type: "string" },
  to: { type: "string" },
  large: { type: "boolean" },
  speed: { type: "string" },
  into: { type: "string" },
  as: { type: "string" },
  with: { type: "string", multiple: true },
  help: { type: "boolean" },
} as const;

const FOOT = `
SHOW is a show document, or - for standard input. One JSON value is printed. Bad input ends with status 1
and one message on standard error. --help behind a command tells more of it.
`;

/** Runs one command line and returns what it prints. Throws with one clear message on bad input. */
export async function run(args: readonly string[], files: Files): Promise<string> {
  const { values, positionals } = parseArgs({ args: [...args], allowPositionals: true, options: OPTIONS });
  const { help, ...options } = values;
  const [name, ...words] = positionals;
  if (name === undefined) return overview();
  const command = commands.get(name);
  if (!command) throw new ShowError(thereIsNo("command", name, commands.keys()));
  if (help) return `${usage(name, command)}\n\n${command.summary}\n${command.help}\n`;
  checkWords(name, command, words, options);
  const answer = await named(name, () => command.run(words, options, files));
  return `${JSON.stringify(answer, undefined, 1)}\n`;
}

function overview(): string {
  const lines = [...commands].map(([name, command]) => `  ${usage(name, command)}\n      ${command.summary}`);
  return `npm run -s zm -- COMMAND …\n\n${lines.join("\n")}\n${FOOT}`;
}

function usage(name: string, { words, options }: Command): string {
  const given = Object.entries(options).map(([option, value]) => ` [--${option}${value === "" ? "" : ` ${value}`}]`);
  return `${[name, ...words].join(" ")}${given.join("")}`;
}

function checkWords(name: string, command: Command, words: readonly string[], options: Options): void {
  const missing = command.words[words.length];
  if (missing !== undefined) throw new ShowError(`${name}: ${missing} is missing; write ${usage(name, command)}`);
  const surplus = words[command.words.length];
  if (surplus !== undefined) throw new ShowError(`${name}: "${surplus}" is one word too many; write ${usage(name, command)}`);
  const strange = Object.keys(options).find((option) => !(option in command.options));
  if (strange !== undefined) throw new ShowError(`${name}: it knows no --${strange}; write ${usage(name, command)}`);
}

/** Faults of a command line begin with the command; those of a document name their own place. */
async function named(name: string, work: () => unknown): Promise<unknown> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof UsageError) throw new ShowError(`${name}: ${error.message}`);
    throw error;
  }
}
