import { mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

/** What a file says as JSON; undefined where it is not there or cannot be read. */
export function readJsonFile(path: string): unknown {
  try {
    return JSON.parse(readFileSync(path, "utf8"));
  } catch {
    return undefined;
  }
}

/** Writes a file whole or not at all. What goes wrong with the disk comes through. */
export function writeJsonFile(path: string, data: object): void {
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(`${path}.new`, JSON.stringify(data));
  renameSync(`${path}.new`, path);
}
