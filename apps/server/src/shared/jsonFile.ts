import { mkdirSync, readFileSync } from "node:fs";
import { dirname } from "node:path";
import writeFileAtomic from "write-file-atomic";

/** What a file says as JSON; no data where it is not there or cannot be read, and whether it is there. */
export function readJsonFile(path: string): { readonly data: unknown; readonly exists: boolean } {
  let text: string;
  try {
    text = readFileSync(path, "utf8");
  } catch {
    return { data: undefined, exists: false };
  }
  try {
    return { data: JSON.parse(text), exists: true };
  } catch {
    return { data: undefined, exists: true };
  }
}

/** Writes a file whole or not at all, down to the disk. What goes wrong with the disk comes through. */
export function writeJsonFile(path: string, data: object): void {
  mkdirSync(dirname(path), { recursive: true });
  writeFileAtomic.sync(path, JSON.stringify(data), { mode: 0o600 });
}
