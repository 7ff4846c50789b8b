import { ConflictException, NotFoundException } from "@nestjs/common";
import { PressRefusedError, ShowError, append, sheetInSlices, applyStepsInSlices } from "@zm/core";
import { join } from "node:path";
import { createHistogram } from "node:perf_hooks";
import { setTimeout as wait } from "node:timers/promises";
import type { OutputSettings, OutputState, RunEvent } from "@zm/protocol";
import { type Frame, LEADING, OutputSender } from "../output/sender.ts";
import { OutputFile } from "../output/settingsFile.ts";
import type { DataSource } from "typeorm";
import { connectDatabase } from "../database/dataSource.ts";
import { isLost } from "../shared/lost.ts";
import type { ServerRole } from "../lease/lease.ts";
import { now, steadyNow } from "../shared/clock.ts";
import { eachInSlices, inSlices } from "../shared/slices.ts";
import { stepsIn } from "../shows/stepsIn.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { type StoredRun, readStoredRun } from "../shows/storedRun.ts";
import { FollowedShows } from "./followedShows.ts";
import type { FollowedShow } from "./followedShow.ts";
import type { Answer, EnginePace, FollowedRun, EngineSetUp, Order, Refusal, Report } from "./orders.ts";
import { RunFiles, type WrittenRun } from "./runFile.ts";
import { RunningShow } from "./runningShow.ts";
import { HostTroubles } from "./hostTroubles.ts";
import { StageFile } from "./stageFile.ts";

/** So many milliseconds lie between two frames: 40 a second. */
const FRAME = 25;
/** While something moves, where it stands is written down so often, so that a jump of the machine's clock costs little. Milliseconds. */
const WRITING = 2000;
/** A show that cannot be read because the database is away is tried again so often; milliseconds. */
const AGAIN = 1000;
/** A server that has taken over sends above the one before it for so long, until receivers have let go of that one (E1.31, 6.7.1). Milliseconds. */
const TAKING = 3000;
/** By what a server does, the priority of its levels: one that follows stands ready, and one that was cut off gives way to everybody. */
const PRIORITIES = { taking: 110, following: 90, cutOff: 80 };
/** A level above this is lit. */
const LIT = 0;

/** Runs shows: it keeps its frames with no window open and the database away. In a thread of its own it keeps them whatever the rest of the server does. */
export class EngineHost {
  private readonly shows = new Map<number, RunningShow>();
  private readonly opening = new Map<number, Promise<RunningShow>>();
  /** By show, the edits that are being taken. */
  private readonly editing = new Map<number, Promise<unknown>>();
  private readonly lagging = new Set<number>();
  private readonly files: RunFiles;
  private readonly outputFile: OutputFile;
  private readonly sender: OutputSender;
  private readonly stage: StageFile;
  private values = new Float64Array(0);
  private written = new Map<number, number>();
  /** What is told last, behind everything that has happened before it. */
  private telling: Promise<void> = Promise.resolve();
  private next = now();
  /** How late frames came, microseconds, since somebody last asked. */
  private readonly late = createHistogram();
  private timer: NodeJS.Timeout | undefined;
  private ended = false;
  private readonly troubles: HostTroubles;
  private role: ServerRole;
  /** Resolves when it does what it was told last that it does. */
  private switching: Promise<unknown> = Promise.resolve();
  private readonly followed: FollowedShows;
  /** Until when it sends above the server that led before. */
  private takingUntil = Number.NEGATIVE_INFINITY;

  constructor(
    private readonly setUp: EngineSetUp,
    private readonly tell: (report: Report) => void,
  ) {
    this.troubles = new HostTroubles(tell);
    this.role = setUp.role;
    this.followed = new FollowedShows((show, since) => this.read(show, since));
    this.files = new RunFiles(setUp.runs);
    this.outputFile = new OutputFile(join(setUp.runs, "output.json"), setUp.output, setUp.role === "reads");
    this.sender = new OutputSender(this.outputFile, (fault) => this.troubles.set("output", fault));
    this.stage = new StageFile(setUp.runs);
    this.troubles.damaged("stage", "Which show is on stage", this.stage.damaged, "Put it on stage again in Run.");
  }

  /** Begins: what ran when the server ended goes on. */
  start(): void {
    if (this.role === "leads") for (const show of this.files.shows()) void this.resume(show);
    this.loop();
  }

  async end(): Promise<void> {
    this.ended = true;
    clearTimeout(this.timer);
    this.shows.clear();
    await this.files.settled();
    await this.sender.end();
  }

  take(order: Order): void {
    const { number, show } = order;
    this.done(order).then(
      (value) => this.tell({ answer: number, value }),
      (error: unknown) => this.tell({ answer: number, refusal: refusalOf(error, show) }),
    );
  }

  private async done(order: Order): Promise<Answer> {
    if (order.kind === "release") return this.release(order.show, order.removed);
    if (order.kind === "isIdle") return { idle: this.shows.get(order.show)?.isIdle() ?? true };
    if (order.kind === "output") return this.output(order.settings);
    if (order.kind === "stage") return this.putOnStage(order.put);
    if (order.kind === "sent") return { sent: this.sender.sent() };
    if (order.kind === "pace") return { pace: this.pace() };
    if (order.kind === "end") {
      await this.end();
      return {};
    }
    if (order.kind === "role") {
      const switching = this.setRole(order.role);
      this.switching = switching.catch(() => undefined);
      return switching;
    }
    // Who asks while it takes up what it has followed is answered by what it is then.
    await this.switching;
    if (order.kind === "running") return { running: this.running() };
    if (this.role === "follows") return this.follow(order);
    // Edits of a show that does not run are in the rows that it is read from.
    if (order.kind === "edit" && !this.shows.has(order.show) && !this.opening.has(order.show)) return {};
    const running = this.shows.get(order.show) ?? (await this.open(order.show, order.kind === "open" ? order.document : undefined));
    switch (order.kind) {
      case "open":
        return {};
      case "state":
        return { state: running.state() };
      case "press": {
        this.expectLead();
        const event = running.press(order.press, order.from);
        // Only a press that was done takes the stage.
        this.setStage(order.show);
        return this.happened(running, [event]);
      }
      case "edit":
        return this.happened(running, await this.edited(running, order));
      case "hand":
        running.hand = order.hand;
        await this.kept(`hand ${order.show}`, `What is in hand of show ${order.show}`, () => this.files.writeHand(order.show, order.hand));
        return {};
      default:
        return {};
    }
  }

  /** What a spare is told of the shows that another server runs. */
  private async follow(order: Order): Promise<Answer> {
    switch (order.kind) {
      case "followRun":
        return { isLost: await this.followed.begin(order.run) };
      case "followEvent":
        return { isLost: await this.followed.take(order) };
      case "edit":
        return { isLost: await this.followed.edit(order) };
      case "hand":
        return { isLost: await this.followed.hold(order.show, order.hand) };
      case "forgetFollowed":
        if (order.show === 0) this.followed.clear();
        else this.followed.forget(order.show);
        return {};
      default:
        throw new ConflictException("Another server leads; it is asked");
    }
  }

  /** All that runs of every show. */
  private running(): FollowedRun[] {
    return [...this.shows.values()].map((running) => ({ written: running.written(), origin: running.state().origin, hand: running.hand }));
  }

  /** This server does something else from now on: it takes up what it has followed, or holds its levels. */
  private async setRole(role: ServerRole): Promise<Answer> {
    const before = this.role;
    if (before === role) return {};
    if (before === "follows" && role === "leads") {
      const taken = await this.followed.taken();
      this.role = role;
      this.takingUntil = now() + TAKING;
      for (const { written, followed } of taken) this.takeUp(written, followed);
      this.followed.clear();
      const known = new Set(taken.map(({ written }) => written.show));
      // What was written down here when this server led last is long over.
      for (const show of this.files.shows()) if (!known.has(show)) await this.files.remove(show);
      void this.kept("stage", "Which show is on stage", () => this.stage.put(this.stage.show));
    }
    this.role = role;
    return {};
  }

  private takeUp(written: WrittenRun, { show, sheet, revision, hand }: FollowedShow): void {
    const running = new RunningShow(show, sheet, revision, written);
    running.hand = hand;
    this.shows.set(show, running);
    // What fell due while nobody led is fired now, and told.
    void this.happened(running, running.pass());
    if (hand) void this.kept(`hand ${show}`, `What is in hand of show ${show}`, () => this.files.writeHand(show, hand));
  }

  /** True while this server runs its shows: it leads, and can rely on that. */
  private get mayRun(): boolean {
    return this.role === "leads" && steadyNow() <= (this.setUp.deadline[0] ?? 0);
  }

  /** Throws CutOff where nothing can be fired here now. */
  private expectLead(): void {
    if (this.role !== "reads" && !this.mayRun) throw new CutOff();
  }

  /** Takes edits in their order; a large one in slices, between which frames have their turn. */
  private edited(running: RunningShow, { revision, steps: own, pieces, run }: Extract<Order, { kind: "edit" }>): Promise<RunEvent[]> {
    const done = (this.editing.get(running.show) ?? Promise.resolve()).then(async () => {
      if (revision <= running.revision) return [];
      const steps = [...own];
      await eachInSlices(pieces, (piece) => append(steps, stepsIn(new TextDecoder().decode(piece))), 1);
      const sheet = await inSlices(applyStepsInSlices(running.sheet, steps));
      return running.edit(revision, sheet, steps, run);
    });
    this.editing.set(
      running.show,
      done.catch(() => undefined),
    );
    return done;
  }

  /** Writes down what has come about before anybody is told that it has. */
  private happened(running: RunningShow, events: readonly RunEvent[]): Promise<Answer> {
    const event = events.at(-1) ?? null;
    if (events.length === 0) return Promise.resolve({ event });
    // What has happened is told in its order, however long the disk takes with each.
    this.telling = Promise.all([this.telling, this.write(running)]).then(() =>
      events.forEach((each) => this.tell({ event: each, bumps: running.heldBumps() })),
    );
    return this.telling.then(() => ({ event }));
  }

  /** Writes down where a show stands, while its frames go on. */
  private async write(running: RunningShow): Promise<void> {
    this.written.set(running.show, now());
    await this.kept(`run ${running.show}`, `Where show ${running.show} stands`, () => this.files.write(running.written()));
  }

  private async kept(what: string, said: string, write: () => Promise<void>): Promise<void> {
    if (this.role === "leads") await this.troubles.kept(what, said, write);
  }

  /** Takes up a show that ran when the server ended, as soon as it can be read. */
  private async resume(show: number): Promise<void> {
    while (!this.ended) {
      try {
        await this.open(show);
        return;
      } catch (error) {
        if (error instanceof NotFoundException) return this.forgetGone(show);
        if (!isLost(error)) return this.troubles.set(`open ${show}`, `Show ${show} could not go on: ${errorMessage(error)}`);
        await wait(AGAIN, undefined, { ref: false });
        if (this.shows.has(show)) return;
      }
    }
  }

  /** A show that is no longer there leaves the stage. Its files stay: the database may be another. */
  private forgetGone(show: number): void {
    if (this.stage.show === show) this.setStage(null);
  }

  private open(show: number, document?: Extract<Order, { kind: "open" }>["document"]): Promise<RunningShow> {
    const opening = this.opening.get(show) ?? this.load(show, document).finally(() => this.opening.delete(show));
    this.opening.set(show, opening);
    return opening;
  }

  private async load(show: number, document: Extract<Order, { kind: "open" }>["document"]): Promise<RunningShow> {
    const { data: written, damaged } = this.files.read(show);
    const stored: StoredRun | null = document ? { ...document, missed: [] } : await this.read(show, written?.revision);
    if (!stored) throw new NotFoundException(`There is no show number ${show}`);
    const sheet = await inSlices(sheetInSlices(stored.show));
    const running = new RunningShow(show, sheet, stored.revision, written, stored.missed);
    const hand = this.files.readHand(show);
    // What is in hand is in the output again before the first packet leaves.
    running.hand = hand.data ?? null;
    const where = written ? "It stands where the file before it says." : "It stands before its first cue.";
    this.troubles.damaged(`run ${show}`, `Where show ${show} stood`, damaged, where);
    this.troubles.damaged(`hand ${show}`, `What was in hand of show ${show}`, hand.damaged, "");
    await inSlices(running.catchUp());
    this.shows.set(show, running);
    this.tell({ opened: show });
    // Before it was stored which show is on stage, it was the one in which something was pressed.
    if (!this.stage.isKnown && this.stage.show === null && written && this.files.shows().length === 1) this.setStage(show);
    // What would have fired while nobody ran it fires before anybody asks.
    await this.happened(running, running.pass());
    this.troubles.set(`open ${show}`, null);
    return running;
  }

  private async read(show: number, since: number | undefined): Promise<StoredRun | null> {
    const source: DataSource = await connectDatabase(this.setUp.database);
    try {
      // In one look at the database, so that an edit made meanwhile is in it whole or not at all.
      return await source.transaction("REPEATABLE READ", (manager) => readStoredRun(manager, show, since));
    } finally {
      await source.destroy();
    }
  }

  private output(settings: OutputSettings | undefined): Answer {
    if (settings) {
      // Whoever receives at the old addresses is told that no more comes there.
      this.sender.sendTermination();
      this.outputFile.set(settings);
      this.sender.refreshSettings();
    }
    const output: OutputState = { ...this.outputFile.settings, show: this.stage.show, fault: this.sender.fault };
    return { output };
  }

  private async putOnStage(put: number | null | undefined): Promise<Answer> {
    if (put !== undefined) {
      if (put !== null && this.role !== "follows" && !this.shows.has(put)) await this.open(put);
      this.setStage(put);
    }
    const onStage = this.stage.show === null ? undefined : this.shows.get(this.stage.show);
    return { stage: { show: this.stage.show, lit: onStage ? this.litLights(onStage) : 0 } };
  }

  /** How many lights of a show are lit now. */
  private litLights(running: RunningShow): number {
    const { keys } = running.sheet;
    const values = new Float64Array(keys.all.length);
    running.frame(values);
    const lit = keys.all.filter(({ ordinal, attribute }) => attribute.family === "intensity" && (values[ordinal] ?? 0) > LIT);
    return new Set(lit.map(({ channel }) => channel)).size;
  }

  private setStage(show: number | null): void {
    if (this.stage.show === show || this.role === "reads") return;
    if (show === null) this.sender.sendTermination();
    // Which show was on stage is known again.
    this.troubles.set("damaged stage", null);
    void this.kept("stage", "Which show is on stage", () => this.stage.put(show));
    this.tell({ onStage: show });
  }

  private async release(show: number, removed: boolean): Promise<Answer> {
    if (removed && this.stage.show === show) this.setStage(null);
    this.shows.delete(show);
    this.editing.delete(show);
    this.written.delete(show);
    if (removed) await this.files.remove(show);
    return {};
  }

  /** One frame, and the next in its time; frames that were missed are not made up for. What fails in a frame is left out of it, and told once. */
  private loop(): void {
    const time = now();
    Atomics.add(this.setUp.beats, 0, 1);
    this.late.record(Math.max(1, Math.round((time - this.next) * 1000)));
    const { mayRun } = this;
    if (mayRun || this.role === "reads")
      for (const running of this.shows.values()) this.troubles.guarded(`frame ${running.show}`, () => this.frame(running, time));
    if (this.sender.isOn) this.troubles.guarded("send", () => this.sendFrame(mayRun, time));
    this.next = Math.max(this.next + FRAME, now());
    this.timer = setTimeout(() => this.loop(), Math.max(0, this.next - now()));
  }

  private pace(): EnginePace {
    const { count: frames, max } = this.late;
    const at = (share: number): number => (frames === 0 ? 0 : this.late.percentile(share) / 1000);
    const pace = { frames, p50: at(50), p99: at(99), latest: frames === 0 ? 0 : max / 1000 };
    this.late.reset();
    return pace;
  }

  private frame(running: RunningShow, time: number): void {
    if (this.lagging.has(running.show)) return;
    if (running.isLagging) return void this.catchUp(running);
    const events = running.pass();
    if (events.length > 0) void this.happened(running, events);
    else if (time - (this.written.get(running.show) ?? time) > WRITING && running.isMoving()) void this.write(running);
  }

  /** Brings a run up to now after the machine has slept, without holding up the frames of others. */
  private async catchUp(running: RunningShow): Promise<void> {
    this.lagging.add(running.show);
    try {
      await inSlices(running.catchUp());
    } catch (error) {
      this.troubles.set(`frame ${running.show}`, `Show ${running.show} could not be brought up to now: ${errorMessage(error)}`);
    } finally {
      this.lagging.delete(running.show);
    }
  }

  /** Sends what is on stage; a server that was cut off holds what it sent last. */
  private sendFrame(mayRun: boolean, time: number): void {
    const show = this.stage.show ?? 0;
    if (this.role === "follows") {
      this.sender.setPriority(PRIORITIES.following);
      const followed = this.followed.get(show);
      if (followed) this.send(followed, followed.shown);
      return;
    }
    if (!mayRun && this.role !== "reads") {
      this.sender.setPriority(PRIORITIES.cutOff);
      return this.sender.hold();
    }
    this.sender.setPriority(time < this.takingUntil ? PRIORITIES.taking : LEADING);
    const running = this.shows.get(show);
    if (running) this.send(running, running.sheet);
  }

  private send(running: RunningShow | FollowedShow, sheet: Frame["sheet"]): void {
    const { show, hand } = running;
    if (this.values.length !== sheet.keys.all.length) this.values = new Float64Array(sheet.keys.all.length);
    running.frame(this.values);
    this.sender.send({
      show,
      sheet,
      hand,
      values: this.values,
      withoutWaves: running.withoutWaves,
      tempos: running.tempos,
      overlay: running.overlay,
    });
  }
}

/** Nothing can be fired here. Whether what was pressed before counts, the server that leads knows: it is no refusal. */
class CutOff extends Error {
  constructor() {
    super("This server is cut off from the others, and holds the levels that it sent last. Press at the server that leads");
  }
}

function refusalOf(error: unknown, show: number): Refusal {
  if (error instanceof CutOff) return { kind: "cutOff", messages: [error.message] };
  if (error instanceof PressRefusedError) return { kind: "conflict", messages: [error.message] };
  if (error instanceof ShowError) return { kind: "fault", messages: error.faults };
  if (error instanceof NotFoundException) return { kind: "missing", messages: [`There is no show number ${show}`] };
  if (isLost(error)) return { kind: "lost", messages: [errorMessage(error)] };
  return { kind: "failure", messages: [errorMessage(error)] };
}
