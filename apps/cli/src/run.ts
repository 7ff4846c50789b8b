import { parseArgs } from "node:util";
import { ShowError } from "@zm/core";
import { commands } from "./commands.ts";

const HELP = `npm run -s zm -- COMMAND SHOW …

  look SHOW --cue N [--list L]         the look of a cue, with the origin of every value
  look SHOW --all [--list L]           the looks of all cues
  schedule SHOW --from N [--list L]    the chain that a Go on a cue starts, key by key
  play SHOW --run RUN.json --at 0,1.5  the stage at moments of a run

SHOW is a show document, or - for standard input. One JSON value is printed.
`;

/** Runs one command line and gives back what it prints. Throws with one clear message on bad input. */
export function run(args: readonly string[], read: (file: string) => string): string {
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
  const [name, file, surplus] = positionals;
  if (values.help || name === undefined) return HELP;
  const command = commands.get(name);
  if (!command) throw new ShowError(`There is no command "${name}"; the commands are ${[...commands.keys()].join(", ")}`);
  if (file === undefined) throw new ShowError(`${name}: name the show document, or - for standard input`);
  if (surplus !== undefined) throw new ShowError(`${name}: "${surplus}" is one word too many`);
  return `${JSON.stringify(command(read(file), values, read), undefined, 1)}\n`;
}
