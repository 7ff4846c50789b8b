import { NotFoundException } from "@nestjs/common";
import { ShowError, sheetInSteps } from "@zm/core";
import { join } from "node:path";
import { createHistogram } from "node:perf_hooks";
import type { OutputSettings, RunEvent } from "@zm/protocol";
import { OutputSender } from "../output/sender.ts";
import { OutputFile } from "../output/settingsFile.ts";
import type { DataSource } from "typeorm";
import { connectDatabase } from "../database/dataSource.ts";
import { isLost } from "../database/lost.ts";
import { now } from "../shared/clock.ts";
import { inSlices } from "../shared/slices.ts";
import { wordsOf } from "../shared/wordsOf.ts";
import { readShowRows } from "../shows/readRows.ts";
import type { Answer, EnginePace, EngineSetUp, Order, Refusal, Report } from "./orders.ts";
import { CannotNow } from "./pressed.ts";
import { RunFiles } from "./runFile.ts";
import { RunningShow } from "./runningShow.ts";

/** So many milliseconds lie between two frames: 40 a second. */
const FRAME = 25;
/** While something moves, where it stands is written down so often, so that a jump of the machine's clock costs little. Milliseconds. */
const WRITING = 2000;

/** Runs shows: it keeps its frames with no window open and the database away. In a thread of its own it keeps them whatever the rest of the server does. */
export class EngineHost {
  private readonly shows = new Map<number, RunningShow>();
  private readonly opening = new Map<number, Promise<RunningShow>>();
  private readonly files: RunFiles;
  private readonly outputFile: OutputFile;
  private readonly sender: OutputSender;
  /** The show on stage: the one in which something was pressed last. */
  private onStage: number | null = null;
  private values = new Float64Array(0);
  private written = new Map<number, number>();
  /** What is told last, behind everything that has happened before it. */
  private telling: Promise<void> = Promise.resolve();
  private next = now();
  /** How late frames came, microseconds, since somebody last asked. */
  private readonly late = createHistogram();
  private timer: NodeJS.Timeout | undefined;

  constructor(
    private readonly setUp: EngineSetUp,
    private readonly tell: (report: Report) => void,
  ) {
    this.files = new RunFiles(setUp.runs);
    this.outputFile = new OutputFile(join(setUp.runs, "output.json"), setUp.output);
    this.sender = new OutputSender(this.outputFile, (text) => this.warn(text));
  }

  /** Begins: what ran when the server ended goes on. */
  start(): void {
    for (const show of this.files.shows())
      this.open(show).catch((error: unknown) => this.warn(`Show ${show} could not go on: ${wordsOf(error)}`));
    this.loop();
  }

  async end(): Promise<void> {
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
    if (order.do === "release") return this.release(order.show, order.removed);
    if (order.do === "isIdle") return { idle: this.shows.get(order.show)?.isIdle() ?? true };
    if (order.do === "output") return this.output(order.settings);
    if (order.do === "sent") return { sent: this.sender.sent() };
    if (order.do === "pace") return { pace: this.pace() };
    if (order.do === "end") {
      await this.end();
      return {};
    }
    // Edits of a show that does not run are in the rows that it is read from.
    if (order.do === "edit" && !this.shows.has(order.show) && !this.opening.has(order.show)) return {};
    const running = this.shows.get(order.show) ?? (await this.open(order.show, order.do === "open" ? order.document : undefined));
    switch (order.do) {
      case "open":
        return {};
      case "state":
        return { state: running.state() };
      case "press":
        this.onStage = order.show;
        return this.happened(running, running.press(order.press, order.from));
      case "settle":
        return this.happened(running, running.settle(order.list, order.before, order.after));
      case "edit":
        return this.happened(running, running.edit(order.revision, order.steps));
      case "hand":
        running.hand = order.hand;
        return {};
    }
  }

  /** Writes down what has come about before anybody is told that it has. */
  private happened(running: RunningShow, event: RunEvent | null): Promise<Answer> {
    if (!event) return Promise.resolve({ event });
    // What has happened is told in its order, however long the disk takes with each.
    this.telling = Promise.all([this.telling, this.write(running)]).then(() => this.tell({ event }));
    return this.telling.then(() => ({ event }));
  }

  /** Writes down where a show stands, while its frames go on. A disk that fails is told of, and the show goes on without. */
  private async write(running: RunningShow): Promise<void> {
    this.written.set(running.show, now());
    try {
      await this.files.write(running.written());
    } catch (error) {
      this.warn(`Where show ${running.show} stands could not be written down: ${wordsOf(error)}`);
    }
  }

  private open(show: number, document?: Extract<Order, { do: "open" }>["document"]): Promise<RunningShow> {
    const opening = this.opening.get(show) ?? this.load(show, document).finally(() => this.opening.delete(show));
    this.opening.set(show, opening);
    return opening;
  }

  private async load(show: number, document: Extract<Order, { do: "open" }>["document"]): Promise<RunningShow> {
    const stored = document ?? (await this.read(show));
    if (!stored) throw new NotFoundException(`There is no show number ${show}`);
    const running = new RunningShow(show, await inSlices(sheetInSteps(stored.show)), stored.revision, this.files.read(show));
    this.shows.set(show, running);
    // After a restart the show on stage is the one that was written down last.
    if (this.onStage === null && this.files.newest() === show) this.onStage = show;
    // What would have fired while nobody ran it fires before anybody asks.
    await this.happened(running, running.pass() ?? null);
    return running;
  }

  private async read(show: number): ReturnType<typeof readShowRows> {
    const source: DataSource = await connectDatabase(this.setUp.database);
    try {
      // In one look at the database, so that an edit made meanwhile is in it whole or not at all.
      return await source.transaction("REPEATABLE READ", (manager) => readShowRows(manager, show));
    } finally {
      await source.destroy();
    }
  }

  private output(settings: OutputSettings | undefined): Answer {
    // Whoever receives at the old addresses is told that no more comes there.
    if (settings) this.sender.lastWords();
    if (settings) this.outputFile.set(settings);
    return { output: { ...this.outputFile.settings, show: this.onStage } };
  }

  private async release(show: number, removed: boolean): Promise<Answer> {
    this.shows.delete(show);
    this.written.delete(show);
    if (removed) await this.files.remove(show);
    return {};
  }

  /** One frame, and the next in its time; frames that were missed are not made up for. */
  private loop(): void {
    const time = now();
    this.late.record(Math.max(1, Math.round((time - this.next) * 1000)));
    for (const running of this.shows.values()) this.frame(running, time);
    const onStage = this.onStage === null ? undefined : this.shows.get(this.onStage);
    if (onStage && this.sender.isOn) this.send(onStage);
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
    const event = running.pass();
    if (event) void this.happened(running, event);
    else if (time - (this.written.get(running.show) ?? time) > WRITING && running.isMoving()) void this.write(running);
  }

  private send(running: RunningShow): void {
    const { show, sheet, hand } = running;
    if (this.values.length !== sheet.keys.all.length) this.values = new Float64Array(sheet.keys.all.length);
    running.frame(this.values);
    this.sender.send({ show, sheet, hand, values: this.values, still: running.still, tempos: running.tempos });
  }

  private warn(warning: string): void {
    this.tell({ warning });
  }
}

function refusalOf(error: unknown, show: number): Refusal {
  if (error instanceof CannotNow) return { kind: "conflict", messages: [error.message] };
  if (error instanceof ShowError) return { kind: "fault", messages: error.faults };
  if (error instanceof NotFoundException) return { kind: "missing", messages: [`There is no show number ${show}`] };
  if (isLost(error)) return { kind: "lost", messages: [wordsOf(error)] };
  return { kind: "failure", messages: [wordsOf(error)] };
}
