import { createReadStream, mkdirSync } from "node:fs";
import { access, constants, rm, stat } from "node:fs/promises";
import { randomUUID } from "node:crypto";
import { isAbsolute, join } from "node:path";
import type { Readable } from "node:stream";
import { createGunzip } from "node:zlib";
import { Injectable, Logger, NotFoundException, type OnModuleDestroy, type OnModuleInit } from "@nestjs/common";
import { ShowError } from "@zm/core";
import { type BackupEntry, type BackupName, type BackupSettings, type BackupsState, backupSettings } from "@zm/protocol";
import { Subscription } from "rxjs";
import { Lease } from "../lease/lease.ts";
import { Settings } from "../settings.ts";
import { now } from "../shared/clock.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { readJsonFile, writeJsonFile } from "../shared/jsonFile.ts";
import { keepAside } from "../shared/soundFile.ts";
import { Troubles } from "../shared/troubles.ts";
import { ShowsService } from "../shows/shows.service.ts";
import { backupsIn, makeFolder, removeBackup, unpackBackup, writeBackup } from "./backupFiles.ts";
import { folderOf, readName } from "./backupName.ts";
import { outdated } from "./keeping.ts";

/** Every ten minutes while edits come, beside the data, until somebody says otherwise. */
const AT_FIRST: BackupSettings = { on: true, minutes: 10, folder: "" };
/** So often the plan is looked at; milliseconds. */
const LOOK = 5000;

/** Makes backups by plan and by hand, keeps those that are worth it, and brings one back as a new show. */
@Injectable()
export class BackupsService implements OnModuleInit, OnModuleDestroy {
  private readonly log = new Logger("Backups");
  private readonly path: string;
  private readonly subscriptions = new Subscription();
  /** By show, the moment of the first edit that no backup has. */
  private readonly edited = new Map<number, number>();
  /** By show, when its last backup by plan was tried. */
  private readonly tried = new Map<number, number>();
  private readonly faults = new Map<number, string>();
  private settings: BackupSettings = AT_FIRST;
  private timer: NodeJS.Timeout | undefined;
  /** One is made after the other: a disk that is slow is not asked for more at once. */
  private queue: Promise<unknown> = Promise.resolve();
  private finding: Promise<void> = Promise.resolve();

  constructor(
    private readonly shows: ShowsService,
    private readonly troubles: Troubles,
    private readonly lock: Lease,
    private readonly own: Settings,
  ) {
    this.path = join(own.runs, "backups.json");
    this.settings = this.readSettings();
  }

  onModuleInit(): void {
    this.subscriptions.add(this.shows.changes.subscribe(({ event }) => this.markEdited(event.show)));
    this.subscriptions.add(this.shows.removed.subscribe((show) => this.forget(show)));
    if (this.lock.onlyReads) return;
    this.timer = setInterval(() => void this.byPlan(), LOOK);
    this.timer.unref();
    this.finding = this.findUnsaved();
  }

  async onModuleDestroy(): Promise<void> {
    clearInterval(this.timer);
    this.subscriptions.unsubscribe();
    // What is asked of the database ends before the database goes.
    await this.finding;
    await this.queue;
  }

  /** The folder in which backups are. */
  get place(): string {
    return this.settings.folder === "" ? this.own.backups : this.settings.folder;
  }

  async state(): Promise<BackupsState> {
    const [fault = null] = this.faults.values();
    return { settings: this.settings, place: this.place, entries: await backupsIn(this.place), fault };
  }

  /** Takes other settings, and keeps them. Throws ShowError for a folder that cannot be written to; then nothing has changed. */
  async set(settings: BackupSettings): Promise<BackupsState> {
    if (settings.folder !== "") await expectFolder(settings.folder);
    writeJsonFile(this.path, settings);
    this.settings = settings;
    this.troubles.set("damaged backups", null);
    return this.state();
  }

  /** Makes a backup of a show now. NotFoundException where there is none; Error in words where it cannot be written or read back. */
  async make(show: number, byHand: boolean): Promise<BackupEntry> {
    const done = this.queue.then(() => this.write(show, byHand));
    this.queue = done.catch(() => undefined);
    return done;
  }

  /** Brings a backup back as a new show; gives its number. NotFoundException where there is no such backup. */
  async restore(name: BackupName): Promise<number> {
    await this.expect(name);
    const into = join(this.own.runs, `restore-${randomUUID()}.json`);
    mkdirSync(this.own.runs, { recursive: true });
    try {
      await unpackBackup(this.place, name, into);
      return await this.shows.add(into, () => undefined);
    } finally {
      await rm(into, { force: true });
    }
  }

  /** The document in a backup, as it is read. NotFoundException where there is none. */
  async document(name: BackupName): Promise<Readable> {
    await this.expect(name);
    return createReadStream(join(this.place, name.folder, name.file)).pipe(createGunzip());
  }

  private async expect({ folder, file }: BackupName): Promise<void> {
    const isThere = readName(folder, file) && (await backupsIn(this.place)).some((each) => each.folder === folder && each.file === file);
    if (!isThere) throw new NotFoundException("There is no such backup any more");
  }

  /** Shows that were edited after their newest backup, before this server began. */
  private async findUnsaved(): Promise<void> {
    try {
      const entries = await backupsIn(this.place);
      for (const { id, title, revision } of await this.shows.list()) {
        const newest = entries.find(({ folder }) => folder === folderOf(title, id));
        if (revision > (newest?.revision ?? 0)) this.markEdited(id);
      }
    } catch (error) {
      this.log.warn(`Which shows have no backup yet could not be seen: ${errorMessage(error)}`);
    }
  }

  private markEdited(show: number): void {
    if (!this.edited.has(show)) this.edited.set(show, now());
  }

  private forget(show: number): void {
    this.edited.delete(show);
    this.faults.delete(show);
    this.troubles.set(`backup ${show}`, null);
  }

  /** Backs up each show that has been edited since its last backup, where that is long enough ago. `at` is a moment of the server's clock. */
  async byPlan(at = now()): Promise<void> {
    if (!this.settings.on) return;
    const since = at - this.settings.minutes * 60_000;
    for (const show of [...this.edited.keys()]) {
      const last = this.tried.get(show) ?? this.edited.get(show) ?? 0;
      if (last > since) continue;
      this.tried.set(show, at);
      await this.make(show, false).catch(() => undefined);
    }
  }

  private async write(show: number, byHand: boolean): Promise<BackupEntry> {
    const firstEdit = this.edited.get(show);
    this.edited.delete(show);
    try {
      const { sheet, revision } = await this.shows.show(show);
      if (this.settings.folder === "") await makeFolder(this.own.backups);
      const entry = await writeBackup(this.place, { show, revision, document: sheet.show, made: Date.now(), byHand });
      this.faults.delete(show);
      this.troubles.set(`backup ${show}`, null);
      await this.tidy(entry.folder);
      return entry;
    } catch (error) {
      if (error instanceof NotFoundException) throw error;
      // What this backup would have held is still in none.
      this.edited.set(show, Math.min(firstEdit ?? now(), this.edited.get(show) ?? now()));
      throw await this.tellFault(show, error);
    }
  }

  private async tellFault(show: number, error: unknown): Promise<Error> {
    const title = await this.shows.titleOf(show).catch(() => `no. ${show}`);
    const last = (await backupsIn(this.place)).find((entry) => entry.show === show);
    const since = last
      ? `the last good one is of ${new Date(last.made).toISOString().slice(0, 16).replace("T", " ")} UTC`
      : "there is none yet";
    const words = `The backup of “${title}” failed: ${errorMessage(error)}; ${since}. Look at Backups in the show's menu`;
    this.log.warn(words);
    this.faults.set(show, words);
    this.troubles.set(`backup ${show}`, words);
    return new Error(words, { cause: error });
  }

  private async tidy(folder: string): Promise<void> {
    const own = (await backupsIn(this.place)).filter((entry) => entry.folder === folder);
    for (const entry of outdated(own, Date.now())) await removeBackup(this.place, entry).catch(() => undefined);
  }

  private readSettings(): BackupSettings {
    const { data, exists } = readJsonFile(this.path);
    const parsed = backupSettings.safeParse(data);
    if (parsed.success) return parsed.data;
    if (exists)
      this.troubles.set(
        "damaged backups",
        `The stored settings of backups are damaged; they are made every ${AT_FIRST.minutes} minutes beside the data until they are set anew. The old ones are kept in ${keepAside(this.path)}`,
      );
    return AT_FIRST;
  }
}

async function expectFolder(folder: string): Promise<void> {
  if (!isAbsolute(folder)) throw new ShowError(`"${folder}" is no whole path; write it from the root, such as /media/stick/backups`);
  const found = await stat(folder).catch(() => undefined);
  if (!found?.isDirectory()) throw new ShowError(`There is no folder ${folder}; make it first, or name one that is there`);
  try {
    await access(folder, constants.W_OK);
  } catch (error) {
    throw new ShowError(`Nothing can be written to ${folder}: ${errorMessage(error)}`);
  }
}
