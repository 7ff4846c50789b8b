import { createHash, randomUUID } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { mkdir, open, readdir, rename, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import { createGunzip, createGzip } from "node:zlib";
import { type Show, serializedPieces } from "@zm/core";
import type { BackupEntry } from "@zm/protocol";
import { textInSlices } from "../shared/slices.ts";
import { fileOf, folderOf, readName } from "./backupName.ts";

/** A document may be so large, unpacked; bytes. */
const LARGEST = 400 * 1_048_576;

/** What is still being written, by a name of its own. */
const UNFINISHED = ".part";
const UNFINISHED_NAME = new RegExp(`^\\.[0-9a-f-]{36}\\${UNFINISHED}$`);
/** No backup takes so long; milliseconds. */
const ABANDONED = 3_600_000;

/** What is backed up. */
export interface BackupOf {
  readonly show: number;
  readonly revision: number;
  readonly document: Show;
  readonly made: number;
  readonly byHand: boolean;
}

/**
 * Writes a show into its folder in `place`, packed: into another file first, down to the disk, then under its name; then reads it back and compares what it says. What goes
 * wrong comes through, and then no file of that name is left.
 */
export async function writeBackup(place: string, { show, revision, document, made, byHand }: BackupOf): Promise<BackupEntry> {
  const folder = folderOf(document.title, show);
  const file = fileOf({ made, revision, byHand });
  await makeFolder(join(place, folder));
  await removeUnfinished(join(place, folder), made);
  const [path, unfinished] = [join(place, folder, file), join(place, folder, `.${randomUUID()}${UNFINISHED}`)];
  try {
    const written = new Digest();
    await pipeline(
      Readable.from(textInSlices(serializedPieces(document))),
      written,
      createGzip(),
      createWriteStream(unfinished, { mode: 0o600 }),
    );
    await toDisk(unfinished);
    await rename(unfinished, path);
    await toDisk(join(place, folder));
    const read = await digestOf(path).catch((error: unknown) => (error instanceof Error ? error.message : String(error)));
    if (read !== written.value) {
      await rm(path, { force: true });
      throw new Error("what was read back is not what was written");
    }
  } finally {
    await rm(unfinished, { force: true });
  }
  const { size } = await stat(path);
  return { folder, file, show, title: document.title, made, revision, bytes: size, byHand };
}

/**
 * Makes a folder in one that is there. Only the last is made: where a stick was taken out, its place is not filled with folders of the machine's own disk, and
 * the backup fails.
 */
export async function makeFolder(path: string): Promise<void> {
  try {
    await mkdir(path, { mode: 0o700 });
  } catch (error) {
    const isThere = typeof error === "object" && error !== null && Reflect.get(error, "code") === "EEXIST";
    if (!isThere) throw error;
  }
}

/** Takes away what a server or a headless backup that was killed has left half written; what another may still be writing stays. */
async function removeUnfinished(folder: string, now: number): Promise<void> {
  for (const name of await namesIn(folder)) {
    if (!UNFINISHED_NAME.test(name)) continue;
    const begun = await stat(join(folder, name)).then(
      ({ mtimeMs }) => mtimeMs,
      () => now,
    );
    if (now - begun > ABANDONED) await rm(join(folder, name), { force: true });
  }
}

/** Takes a digest of what passes through. */
class Digest extends Transform {
  private readonly hash = createHash("sha256");
  private sum: string | undefined;
  private bytes = 0;

  override _transform(chunk: Buffer, _encoding: BufferEncoding, done: (error: Error | null, chunk?: Buffer) => void): void {
    this.bytes += chunk.length;
    this.hash.update(chunk);
    if (this.bytes > LARGEST) done(new Error(`it is larger than the ${LARGEST / 1_048_576} MB that a show may have`));
    else done(null, chunk);
  }

  get value(): string {
    this.sum ??= this.hash.digest("hex");
    return this.sum;
  }
}

async function digestOf(path: string): Promise<string> {
  const read = new Digest();
  await pipeline(createReadStream(path), createGunzip(), read, async (chunks: AsyncIterable<Buffer>) => {
    for await (const _chunk of chunks);
  });
  return read.value;
}

async function toDisk(path: string): Promise<void> {
  const handle = await open(path, "r");
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}

/** All backups in a folder, the newest first; none where the folder is not there. What is no backup is passed over. */
export async function backupsIn(place: string): Promise<BackupEntry[]> {
  const found: BackupEntry[] = [];
  for (const folder of await namesIn(place)) {
    for (const file of await namesIn(join(place, folder))) {
      const said = readName(folder, file);
      if (!said) continue;
      const size = await stat(join(place, folder, file)).then(
        (each) => each.size,
        () => -1,
      );
      if (size >= 0) found.push({ folder, file, bytes: size, ...said });
    }
  }
  return found.sort((a, b) => b.made - a.made || a.folder.localeCompare(b.folder));
}

async function namesIn(place: string): Promise<string[]> {
  return readdir(place).catch(() => []);
}

/** Takes a backup away. */
export async function removeBackup(place: string, { folder, file }: Pick<BackupEntry, "folder" | "file">): Promise<void> {
  if (readName(folder, file)) await rm(join(place, folder, file), { force: true });
}

/** Unpacks a backup into a file of its own; what goes wrong comes through in words. */
export async function unpackBackup(place: string, { folder, file }: Pick<BackupEntry, "folder" | "file">, into: string): Promise<void> {
  try {
    await pipeline(createReadStream(join(place, folder, file)), createGunzip(), new Digest(), createWriteStream(into, { mode: 0o600 }));
  } catch (error) {
    await rm(into, { force: true });
    throw new Error(`The backup ${file} cannot be read: ${error instanceof Error ? error.message : String(error)}`, { cause: error });
  }
}
