import { type CallStep, type ListSheet, type ShowSheet, callMoment, callSteps, callWords, lineTimes, placeAt, toTenth } from "@zm/core";
import type { CallerEvent } from "@zm/protocol";
import type { OscWords } from "@zm/protocol/oscPacket";

/** What the caller needs of the world: a way to say something to the desk, a way to tell what it does, a clock, and a way to wait; seconds. */
export interface CallerWorld {
  readonly send: (address: string, ...args: (string | number)[]) => Promise<void>;
  readonly tell: (event: Omit<CallerEvent, "show">) => void;
  readonly now: () => number;
  readonly wait: (seconds: number) => Promise<void>;
}

export interface CallerWish {
  readonly speed: number;
  /** The first cue that is called; undefined: the one behind the cue on stage. */
  readonly from: string | undefined;
  /** Lists keep their own rate: fades and follows take the time that they take at a show, however fast the play is read. */
  readonly keepsRate: boolean;
}

/** So long before the first standby it begins to read. Seconds of the play. */
const LEAD = 1;
/** The server is given so long to answer a greeting. Seconds. */
const PATIENCE = 5;
/** A list that is on its way to the cue before, by what was just pressed or by a follow, is waited for so long. Seconds. */
const ON_ITS_WAY = 1;
/** So often it looks whether something is to be said, or has come about. Seconds. */
const TICK = 0.02;
/** It never waits for less, so that it ends. Seconds. */
const SHORTEST = 0.001;
/** So often the server is asked again where everything stands. Seconds. */
const ASKING = 0.2;

/** A simulated stage manager: reads the play at a speed, tells standbys, and presses Go at each cue's word, if the list is at the cue before. */
export class Caller {
  /** By list, where it stands as the server has told. */
  private readonly stands = new Map<string, string>();
  private greeted = false;
  private stopped = false;
  /** False once a cue was not pressed, until the list is where the play is again. */
  private inStep = true;

  constructor(
    private readonly sheet: ShowSheet,
    private readonly list: ListSheet,
    private readonly wish: CallerWish,
    private readonly world: CallerWorld,
  ) {}

  /** What the server tells. */
  hear({ address, args }: OscWords): void {
    const [first = "", second = ""] = args.map(String);
    if (address === "/zm/at" || address === "/zm/cue") this.stands.set(first, second);
    if (address === "/zm/at" && first === this.list.id) this.greeted = true;
    if (address === "/zm/error") this.say("says", `Refused: ${second}`);
  }

  /** Leaves at the next moment; what was set for it is set back. */
  stop(): void {
    this.stopped = true;
  }

  /** Calls the play to its end. Gives how many cues were pressed and how many were not; throws Error where the server does not answer or there is nothing to call. */
  async call(): Promise<{ pressed: number; missed: number }> {
    await this.greet();
    const row = this.firstRow();
    const steps = callSteps(this.list, this.sheet.show.script, row);
    const [first] = steps;
    if (!first) throw new Error("There is nothing left to call in this list; say from which cue with --from");
    const { speed } = this.wish;
    // What is fired from here on belongs to a run of its own.
    await this.world.send("/zm/run", speed === 1 ? "called" : `called, ${speed} times as fast`, speed);
    await this.bringBefore(row, first.row);
    try {
      await this.setRates(speed);
      return await this.read(steps, first.standby - LEAD);
    } finally {
      await this.setRates(1);
      await this.world.send("/zm/endrun");
    }
  }

  /** Reads the play from a moment of it, and calls what is to be called. */
  private async read(steps: readonly CallStep[], start: number): Promise<{ pressed: number; missed: number }> {
    const { speed } = this.wish;
    const begun = this.world.now();
    const moment = (): number => start + (this.world.now() - begun) * speed;
    this.say("begins", `Reads the play from cue ${steps[0]?.cue}${speed === 1 ? "" : `, ${speed} times as fast`}`, { moment: start });
    let [pressed, missed] = [0, 0];
    for (const step of steps) {
      if (!(await this.readTo(moment, step.standby))) break;
      this.say("standby", `Stand by cue ${step.cue}`, { moment: moment(), cue: step.cue });
      if (!(await this.readTo(moment, step.go))) break;
      if (await this.press(step, moment())) pressed += 1;
      else missed += 1;
    }
    this.say("ends", `${pressed} cues called${missed > 0 ? `, ${missed} not pressed` : ""}`, { moment: moment() });
    return { pressed, missed };
  }

  /** Asks where everything stands until it is answered. */
  private async greet(): Promise<void> {
    await this.ask(() => this.greeted, "Nobody answers: is OSC switched on in Rig, OSC, and for this show?");
  }

  /** Asks where everything stands until it is so. Throws Error with these words where it does not come about. */
  private async ask(isSo: () => boolean, without: string): Promise<void> {
    const begun = this.world.now();
    while (!isSo() && !this.stopped) {
      if (this.world.now() - begun > PATIENCE) throw new Error(without);
      await this.world.send("/zm/hello");
      await this.world.wait(ASKING);
    }
  }

  /** The row from which is called. Throws Error for a cue that there is not. */
  private firstRow(): number {
    const { from } = this.wish;
    if (from === undefined) return this.standing() + 1;
    const row = this.rowOf(from);
    if (row < 0) throw new Error(`There is no cue ${from} in this list`);
    return row;
  }

  /** Brings the list to the cue before a row, where it is not there already, and waits until it is; `next` is the row that is pressed first, up to which it may follow on. */
  private async bringBefore(row: number, next: number): Promise<void> {
    if (this.standing() === row - 1) return;
    if (row === 0) await this.world.send(`${this.door}/release`, 0);
    else await this.world.send(`${this.door}/goto`, this.list.cues[row - 1]?.number ?? "", 0);
    const hasCome = (): boolean => this.standing() >= row - 1 && this.standing() < next;
    await this.ask(
      hasCome,
      `The list is ${this.placeOf(this.standing())} and does not come where the play is to begin: ${this.placeOf(row - 1)}`,
    );
  }

  private standing(): number {
    return this.rowOf(this.stands.get(this.list.id));
  }

  /** Where this list is spoken to. */
  private get door(): string {
    return `/zm/list/${encodeURIComponent(this.list.id)}`;
  }

  private rowOf(cue: string | undefined): number {
    return this.list.cues.findIndex(({ number }) => number === cue);
  }

  /** Reads on to a moment of the play, telling each line as it begins; false where it was told to leave. */
  private async readTo(moment: () => number, until: number): Promise<boolean> {
    const { script } = this.sheet.show;
    while (moment() < until && !this.stopped) {
      const line = script && placeAt(script, moment())?.line;
      if (line && line.id !== this.line) {
        this.line = line.id;
        this.say("reads", `${line.who === undefined ? "" : `${line.who}: `}${line.text}`, { moment: moment(), line: line.id });
      }
      await this.world.wait(Math.min(TICK, Math.max(SHORTEST, (until - moment()) / this.wish.speed)));
    }
    return !this.stopped;
  }
  private line: string | undefined;

  /** Presses Go where the list is at the cue before; else says so, and does not press. */
  private async press({ row, cue, called }: CallStep, moment: number): Promise<boolean> {
    this.inStep = await this.comesTo(row - 1);
    const own = this.list.cues[row];
    if (!this.inStep) {
      this.say("says", `Cue ${cue} is not pressed: the list is ${this.placeOf(this.standing())} and not ${this.placeOf(row - 1)}`, {
        moment,
        cue,
      });
      return false;
    }
    await this.world.send(`${this.door}/go`, cue);
    this.say("go", `Cue ${cue}, go: ${called ? callWords(own?.call) : "which has no word"}`, {
      moment,
      cue,
      line: own?.call?.line ?? null,
    });
    return true;
  }

  /** True where the list stands in a row, or comes there now; one that is past it, or was not where the play is before, is not waited for. */
  private async comesTo(row: number): Promise<boolean> {
    const begun = this.world.now();
    const mayCome = (): boolean => this.inStep && !this.stopped && this.standing() < row && this.world.now() - begun < ON_ITS_WAY;
    while (mayCome()) await this.world.wait(TICK);
    return this.standing() === row;
  }

  private placeOf(row: number): string {
    return row < 0 ? "before its first cue" : `at cue ${this.list.cues[row]?.number}`;
  }

  private async setRates(rate: number): Promise<void> {
    if (this.wish.keepsRate || this.wish.speed === 1) return;
    for (const id of this.sheet.lists.keys()) await this.world.send(`/zm/list/${encodeURIComponent(id)}/rate`, rate);
  }

  private say(
    what: CallerEvent["what"],
    words: string,
    { moment = 0, line = null, cue = null }: Partial<Pick<CallerEvent, "moment" | "line" | "cue">> = {},
  ): void {
    this.world.tell({ what, words, moment: toTenth(moment), line, cue });
  }
}

/** True for a show that can be called: it has a script with a cue in it. */
export function canBeCalled(sheet: ShowSheet, list: ListSheet): boolean {
  const { script } = sheet.show;
  return script !== undefined && lineTimes(script).size > 0 && list.cues.some(({ call }) => callMoment(script, call) !== null);
}
