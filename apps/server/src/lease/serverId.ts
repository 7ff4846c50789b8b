import { randomBytes } from "node:crypto";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

/** Who a server is among those of its shows: kept in its data folder, so that it is the same one after a restart. */
export function serverId(folder: string): string {
  const path = join(folder, "server-id");
  try {
    const known = readFileSync(path, "utf8").trim();
    if (/^[0-9a-f]{32}$/.test(known)) return known;
  } catch {
    // It has none yet.
  }
  const id = randomBytes(16).toString("hex");
  mkdirSync(folder, { recursive: true });
  writeFileSync(path, id);
  return id;
}
