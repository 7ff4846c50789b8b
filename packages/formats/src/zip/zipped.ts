import { type Zippable, zipSync } from "fflate";

/** Same content, same bytes: the zip has no clock, and its files have a time that a zip can hold. */
const STILL = "1980-01-01T00:00:00";

/** Files by their names, packed as one zip; the same files give the same bytes at any hour. */
export function zipped(files: Zippable): Uint8Array {
  return zipSync(files, { level: 6, mtime: STILL });
}
