import { readFileSync, writeFileSync } from "node:fs";
import { ShowError } from "@zm/core";
import { run } from "./run.ts";

function read(file: string): string {
  return new TextDecoder("utf-8", { ignoreBOM: true }).decode(readBytes(file));
}

function readBytes(file: string): Uint8Array {
  try {
    return readFileSync(file === "-" ? 0 : file);
  } catch {
    throw new ShowError(`${file} cannot be read`);
  }
}

function write(file: string, content: string | Uint8Array): void {
  try {
    writeFileSync(file, content);
  } catch {
    throw new ShowError(`${file} cannot be written`);
  }
}

try {
  process.stdout.write(await run(process.argv.slice(2), { read, readBytes, write }));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
}
