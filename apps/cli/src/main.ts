import { readFileSync } from "node:fs";
import { parseArgs } from "node:util";
import { ShowError } from "@zm/core";
import { commands } from "./commands.ts";

const HELP = `npm run -s zm -- COMMAND SHOW …

  look SHOW --cue N [--list L]         the look of a cue, with the origin of every value
  look SHOW --all [--list L]           the looks of all cues
  schedule SHOW --from N [--list L]    the chain that a Go on a cue starts, key by key
  play SHOW --run RUN.json --at 0,1.5  the stage at moments of a run

SHOW is a show document, or - for standard input. One JSON value is printed.`;

function main(args: readonly string[]): void {
  const { values, positionals } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      cue: { type: "string" },
      all: { type: "boolean" },
      list: { type: "string" },
      from: { type: "string" },
      run: { type: "string" },
      at: { type: "string" },
      help: { type: "boolean" },
    },
  });
  const [name, file] = positionals;
  if (values.help || name === undefined) {
    process.stdout.write(`${HELP}\n`);
    return;
  }
  const command = commands.get(name);
  if (!command) throw new ShowError(`There is no command "${name}"; the commands are ${[...commands.keys()].join(", ")}`);
  if (file === undefined) throw new ShowError(`${name}: name the show document, or - for standard input`);
  const answer = command(readText(file), values, readText);
  process.stdout.write(`${JSON.stringify(answer, undefined, 1)}\n`);
}

function readText(file: string): string {
  try {
    return readFileSync(file === "-" ? 0 : file, "utf8");
  } catch {
    throw new ShowError(`${file} cannot be read`);
  }
}

try {
  main(process.argv.slice(2));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
}
