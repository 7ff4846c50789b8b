import "reflect-metadata";
import { readFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { gunzipSync } from "node:zlib";
import { ShowError, parseShow } from "@zm/core";
import { backupSettings } from "@zm/protocol";
import { openDatabase } from "../database/dataSource.ts";
import { ShowRow } from "../database/entities.ts";
import { type Settings, readSettings } from "../settings.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { readJsonFile } from "../shared/jsonFile.ts";
import { readShowRows } from "../shows/readRows.ts";
import { insertShow } from "../shows/showRows.ts";
import { backupsIn, makeFolder, writeBackup } from "./backupFiles.ts";

const HELP = `npm run backup                    backs up every show into the folder of the settings
npm run backup -- SHOW            backs up one show, by its number
npm run backup -- --folder PATH   into another folder
npm run restore                   lists the backups there are
npm run restore -- FILE           brings a backup, or any show document, back as a new show
`;

/** Backs up and restores without the server: the database is enough. Prints one JSON value. */
async function work([command, ...words]: readonly string[], settings: Settings): Promise<unknown> {
  const at = words.indexOf("--folder");
  const folder = at < 0 ? undefined : words[at + 1];
  const [first, ...more] = words.filter((_, place) => at < 0 || (place !== at && place !== at + 1));
  if (more.length > 0 || (at >= 0 && folder === undefined) || words.includes("--help")) throw new ShowError(HELP);
  const place = folder === undefined ? placeOf(settings) : resolve(folder);
  if (command === "restore" && first === undefined)
    return (await backupsIn(place)).map(({ folder: own, file, ...entry }) => ({ path: join(place, own, file), ...entry }));
  const source = await openDatabase(settings);
  try {
    if (command === "restore")
      return await source.transaction(async (manager) => ({ restored: await insertShow(manager, readDocument(first ?? "")), of: first }));
    const rows = await source.manager.find(ShowRow, { order: { id: "ASC" } });
    const wanted = first === undefined ? rows : rows.filter(({ id }) => String(id) === first);
    if (wanted.length === 0)
      throw new ShowError(
        first === undefined
          ? "There is no show to back up"
          : `There is no show number ${first}; there are ${rows.map(({ id }) => id).join(", ") || "none"}`,
      );
    if (place === settings.backups) await makeFolder(place);
    const made = [];
    for (const { id } of wanted) {
      const stored = await readShowRows(source.manager, id);
      if (stored)
        made.push(await writeBackup(place, { show: id, revision: stored.revision, document: stored.show, made: Date.now(), byHand: true }));
    }
    return made.map(({ folder: own, file, ...entry }) => ({ path: join(place, own, file), ...entry }));
  } finally {
    await source.destroy();
  }
}

/** The folder that the settings of the server name. */
function placeOf(settings: Settings): string {
  const parsed = backupSettings.safeParse(readJsonFile(join(settings.runs, "backups.json")).data);
  return parsed.success && parsed.data.folder !== "" ? parsed.data.folder : settings.backups;
}

function readDocument(path: string) {
  let bytes: Buffer;
  try {
    bytes = readFileSync(path);
  } catch {
    throw new ShowError(`${path} cannot be read`);
  }
  const isPacked = bytes[0] === 0x1f && bytes[1] === 0x8b;
  try {
    return parseShow((isPacked ? gunzipSync(bytes, { maxOutputLength: 400 * 1_048_576 }) : bytes).toString("utf8"));
  } catch (error) {
    if (error instanceof ShowError) throw error;
    throw new ShowError(`${path} is damaged: ${errorMessage(error)}`);
  }
}

try {
  process.stdout.write(`${JSON.stringify(await work(process.argv.slice(2), readSettings(process.env)), undefined, 1)}\n`);
} catch (error) {
  process.stderr.write(`${errorMessage(error)}\n`);
  process.exitCode = 1;
}
