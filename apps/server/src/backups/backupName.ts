import { fileName } from "@zm/core";
import type { BackupEntry } from "@zm/protocol";

/** What the name of a backup says: when it was made, of which revision, and whether by hand. */
type Named = Pick<BackupEntry, "made" | "revision" | "byHand">;

const FOLDER = /^([A-Za-z0-9-]{1,80}) (\d{1,9})$/;
const FILE = /^(\d{4}-\d\d-\d\d) (\d\d)-(\d\d)-(\d\d)Z r(\d{1,9})( by hand)?\.json\.gz$/;

/** The folder of a show's backups: its title in plain letters, and its number. */
export function folderOf(title: string, show: number): string {
  return `${fileName(title)} ${show}`;
}

/** The name of a backup's file; the moment in universal time, so that names stand in the order of time. */
export function fileOf({ made, revision, byHand }: Named): string {
  const [day = "", clock = ""] = new Date(made).toISOString().split("T");
  return `${day} ${clock.slice(0, 8).replaceAll(":", "-")}Z r${revision}${byHand ? " by hand" : ""}.json.gz`;
}

/** What the names of a folder and a file in it say; undefined for names that no backup has. */
export function readName(folder: string, file: string): (Named & Pick<BackupEntry, "show" | "title">) | undefined {
  const [, title, show] = FOLDER.exec(folder) ?? [];
  const [, day, hour, minute, second, revision, byHand] = FILE.exec(file) ?? [];
  if (title === undefined || day === undefined) return undefined;
  const made = Date.parse(`${day}T${hour}:${minute}:${second}Z`);
  if (Number.isNaN(made)) return undefined;
  return { title: title.replaceAll("-", " "), show: Number(show), made, revision: Number(revision), byHand: byHand !== undefined };
}
