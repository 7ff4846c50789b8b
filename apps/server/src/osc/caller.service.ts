import { type ChildProcess, spawn } from "node:child_process";
import { createInterface } from "node:readline";
import { fileURLToPath } from "node:url";
import { ConflictException, Injectable, type OnModuleDestroy } from "@nestjs/common";
import { type CallerEvent, type CallerRequest, type CallerState, callerEvent } from "@zm/protocol";
import { Subject } from "rxjs";
import { Settings } from "../settings.ts";
import { ShowsService } from "../shows/shows.service.ts";
import { OscService } from "./osc.service.ts";

const PROGRAM = fileURLToPath(new URL("../../../caller/dist/main.js", import.meta.url));
const MOST_SAID = 60;
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
export class CallerService implements OnModuleDestroy {
  readonly events = new Subject<CallerEvent>();
  private calling: Calling | null = null;
  private said: CallerEvent[] = [];

  constructor(
    private readonly osc: OscService,
    private readonly shows: ShowsService,
    private readonly settings: Settings,
  ) {}

  async onModuleDestroy(): Promise<void> {
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
    const server = `http://127.0.0.1:${this.settings.port}`;
    const wanted = from === undefined ? [] : ["--from", from];
    const program = spawn(
      process.execPath,
      [PROGRAM, "--json", "--show", String(show), "--speed", String(speed), "--server", server, "--osc", address, ...wanted],
      {
        stdio: ["ignore", "pipe", "pipe"],
      },
    );
    const ended = new Promise<void>((resolve) => program.once("close", () => resolve()));
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
