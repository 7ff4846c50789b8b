import { type ChildProcess, spawn } from "node:child_process";
import { rmSync } from "node:fs";
import { join } from "node:path";
import { createInterface } from "node:readline";
import { setTimeout as wait } from "node:timers/promises";
import { ConflictException, Injectable, NotFoundException, type OnModuleDestroy, type OnModuleInit } from "@nestjs/common";
import { type CallerEvent, type CallerRequest, type CallerState, callerEvent } from "@zm/protocol";
import { Subject } from "rxjs";
import { z } from "zod";
import { RunLogService } from "../runlog/runLog.service.ts";
import { RunService } from "../run/run.service.ts";
import { Settings } from "../settings.ts";
import { readJsonFile, writeJsonFile } from "../shared/jsonFile.ts";
import { ShowsService } from "../shows/shows.service.ts";
import { OscService } from "./osc.service.ts";

const MOST_SAID = 60;
/** What a caller sets for the time that it is there: the lists of a show run so many times as fast. */
const leftRates = z.object({ show: z.number(), speed: z.number() });
type LeftRates = z.infer<typeof leftRates>;
/** While the show cannot be asked it is tried again so often; milliseconds. */
const AGAIN = 2000;
/** So long the caller is given to say its last words; milliseconds. */
const LONGEST_END = 2000;

interface Calling {
  readonly show: number;
  readonly speed: number;
  readonly program: ChildProcess;
  readonly ended: Promise<void>;
}

/** Runs the simulated stage manager beside the server. It comes in by the door that is there for everybody outside; here is only heard what it says. */
@Injectable()
export class CallerService implements OnModuleInit, OnModuleDestroy {
  readonly events = new Subject<CallerEvent>();
  private calling: Calling | null = null;
  private said: CallerEvent[] = [];
  private ending = false;
  /** Says that a caller is there, for a start after the server was killed. */
  private readonly path: string;

  constructor(
    private readonly osc: OscService,
    private readonly shows: ShowsService,
    private readonly runs: RunService,
    private readonly runLog: RunLogService,
    private readonly settings: Settings,
  ) {
    this.path = join(settings.runs, "caller.json");
  }

  onModuleInit(): void {
    void this.setLeftRatesBack();
  }

  async onModuleDestroy(): Promise<void> {
    this.ending = true;
    await this.end();
  }

  state(show: number): CallerState {
    const own = this.calling?.show === show ? this.calling : null;
    return { running: own !== null, speed: own?.speed ?? 1, said: this.said.filter((each) => each.show === show) };
  }

  /** Has a play called. Throws ConflictException where nobody outside is listened to, or to another show. */
  async start(show: number, { speed, from }: CallerRequest): Promise<CallerState> {
    await this.shows.show(show);
    const { address } = this.osc;
    if (address === null) throw new ConflictException("The caller comes in by OSC, which is switched off: switch it on in Rig, OSC");
    if ((await this.osc.target()) !== show) throw new ConflictException("OSC speaks to another show: choose this one in Rig, OSC");
    await this.end();
    this.said = [];
    if (speed !== 1) writeJsonFile(this.path, { show, speed });
    const server = `http://127.0.0.1:${this.settings.port}`;
    const wanted = from === undefined ? [] : ["--from", from];
    const program = spawn(
      process.execPath,
      [this.settings.caller, "--json", "--show", String(show), "--speed", String(speed), "--server", server, "--osc", address, ...wanted],
      {
        stdio: ["ignore", "pipe", "pipe"],
        env: { ...process.env, ZM_LOCAL_KEY: this.settings.localKey },
      },
    );
    const closed = new Promise<void>((resolve) => program.once("close", () => resolve()));
    // The next one comes when nothing is left of this one.
    const ended = closed
      .then(() => this.runLog.callerLeft(show))
      .then(() => this.setRatesBack({ show, speed }))
      .catch(() => undefined);
    const calling = { show, speed, program, ended };
    this.calling = calling;
    createInterface({ input: program.stdout }).on("line", (line) => this.hear(show, line));
    let trouble = "";
    program.stderr.on("data", (data: Buffer) => (trouble += data.toString()));
    program.once("error", (error) => (trouble += error.message));
    void ended.then(() => {
      if (this.calling === calling) this.calling = null;
      if (trouble !== "") this.say({ show, what: "says", moment: 0, words: trouble.trim().slice(0, 400), line: null, cue: null });
      this.say({ show, what: "ends", moment: this.said[0]?.moment ?? 0, words: "The caller has left", line: null, cue: null });
    });
    return this.state(show);
  }

  async stop(show: number): Promise<CallerState> {
    if (this.calling?.show === show) await this.end();
    return this.state(show);
  }

  /** Ends the caller that is there; one that does not leave is not waited for. */
  private async end(): Promise<void> {
    const { calling } = this;
    if (!calling) return;
    calling.program.kill("SIGTERM");
    const late = setTimeout(() => calling.program.kill("SIGKILL"), LONGEST_END);
    await calling.ended;
    clearTimeout(late);
  }

  /** Sets back what a caller that was killed, or whose server was, has left: lists that run at its speed. Throws where the show cannot be asked; then it is tried at the next start. */
  private async setRatesBack({ show, speed }: LeftRates): Promise<void> {
    if (speed !== 1) {
      const { mix } = await this.runs.state(show);
      const left = Object.entries(mix.lists).filter(([, { rate }]) => rate === speed);
      for (const [list] of left) await this.runs.press(show, { press: "rate", list, rate: 1 }, { by: "osc", who: "caller" });
    }
    rmSync(this.path, { force: true });
  }

  /** At the start: a caller that was there when the server was killed has set nothing back. */
  private async setLeftRatesBack(): Promise<void> {
    const left = leftRates.safeParse(readJsonFile(this.path).data);
    while (left.success && !this.ending) {
      try {
        return await this.setRatesBack(left.data);
      } catch (error) {
        if (error instanceof NotFoundException) return rmSync(this.path, { force: true });
        await wait(AGAIN, undefined, { ref: false });
      }
    }
  }

  private hear(show: number, line: string): void {
    try {
      const event = callerEvent.safeParse({ show, ...JSON.parse(line) });
      if (event.success) this.say(event.data);
    } catch {
      // A line that was cut off says nothing.
    }
  }

  private say(event: CallerEvent): void {
    if (event.what !== "reads") this.said = [event, ...this.said].slice(0, MOST_SAID);
    this.events.next(event);
  }
}
