import { readFileSync } from "node:fs";
import { ShowError } from "@zm/core";
import { run } from "./run.ts";

function readText(file: string): string {
  try {
    return readFileSync(file === "-" ? 0 : file, "utf8");
  } catch {
    throw new ShowError(`${file} cannot be read`);
  }
}

try {
  process.stdout.write(run(process.argv.slice(2), readText));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
}
