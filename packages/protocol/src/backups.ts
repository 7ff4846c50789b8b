import { z } from "zod";

/** How backups are made by plan: whether they are, every how many minutes while edits come, and into which folder; empty: beside the data. */
export const backupSettings = z.object({
  on: z.boolean(),
  minutes: z.number().int("is not a whole number").min(1, "is below 1").max(1440, "is more than a day"),
  folder: z.string().max(400),
});
export type BackupSettings = z.infer<typeof backupSettings>;

/** A backup in the folder: which show it is of, when it was made (milliseconds), of which revision, how large, and whether somebody asked for it. */
export const backupEntry = z.object({
  folder: z.string(),
  file: z.string(),
  show: z.number(),
  title: z.string(),
  made: z.number(),
  revision: z.number(),
  bytes: z.number(),
  byHand: z.boolean(),
});
export type BackupEntry = z.infer<typeof backupEntry>;

/** The settings as they hold, the folder in full, all backups in it, the newest first, and what went wrong last, where something did. */
export const backupsState = z.object({
  settings: backupSettings,
  place: z.string(),
  entries: z.array(backupEntry),
  fault: z.string().nullable(),
});
export type BackupsState = z.infer<typeof backupsState>;

/** Names a backup. */
export const backupName = z.object({ folder: z.string(), file: z.string() });
export type BackupName = z.infer<typeof backupName>;
