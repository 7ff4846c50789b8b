import { setTimeout } from "node:timers/promises";
import { type CallStep, type ListSheet, type ShowSheet, callMoment, callSteps, callWords, lineTimes, placeAt } from "@zm/core";
import type { CallerEvent } from "@zm/protocol";
import type { OscWords } from "@zm/protocol/oscPacket";

/** What the caller needs of the world: a way to say something to the desk, a way to tell what it does, and a clock in seconds. */
export interface CallerWorld {
  readonly send: (address: string, ...args: (string | number)[]) => Promise<void>;
  readonly tell: (event: Omit<CallerEvent, "show">) => void;
  readonly now: () => number;
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
/** So often it looks whether something is to be said. Milliseconds. */
const TICK = 4;

/** A simulated stage manager: reads the play at a speed, tells standbys, and presses Go at each cue's word, if the list is at the cue before. */
export class Caller {
  /** By list, where it stands as the server has told. */
  private readonly stands = new Map<string, string>();
  private greeted = false;
  private stopped = false;

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
    await this.world.send("/zm/run", speed === 1 ? "called" : `called, ${speed} times as fast`, this.wish.keepsRate ? 1 : speed);
    await this.bringBefore(row);
    await this.setRates(speed);
    const start = first.standby - LEAD;
    const begun = this.world.now();
    const moment = (): number => start + (this.world.now() - begun) * speed;
    this.say("begins", `Reads the play from cue ${first.cue}${speed === 1 ? "" : `, ${speed} times as fast`}`, { moment: start });
    let [pressed, missed] = [0, 0];
    for (const step of steps) {
      if (!(await this.readTo(moment, step.standby))) break;
      this.say("standby", `Stand by cue ${step.cue}`, { moment: moment(), cue: step.cue });
      if (!(await this.readTo(moment, step.go))) break;
      if (await this.press(step, moment())) pressed += 1;
      else missed += 1;
    }
    await this.setRates(1);
    this.say("ends", `${pressed} cues called${missed > 0 ? `, ${missed} not pressed` : ""}`, { moment: moment() });
    return { pressed, missed };
  }

  /** Asks where everything stands until it is answered. */
  private async greet(): Promise<void> {
    const begun = this.world.now();
    while (!this.greeted) {
      if (this.world.now() - begun > PATIENCE) throw new Error("Nobody answers: is OSC switched on in Rig, OSC, and for this show?");
      await this.world.send("/zm/hello");
      await setTimeout(200);
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

  /** Brings the list to the cue before a row, where it is not there already. */
  private async bringBefore(row: number): Promise<void> {
    if (this.standing() === row - 1) return;
    if (row === 0) await this.world.send(`${this.door}/release`, 0);
    else await this.world.send(`${this.door}/goto`, this.list.cues[row - 1]?.number ?? "", 0);
    await setTimeout(300);
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
      if (line && line.id !== this.read) {
        this.read = line.id;
        this.say("reads", `${line.who === undefined ? "" : `${line.who}: `}${line.text}`, { moment: moment(), line: line.id });
      }
      await setTimeout(Math.min(TICK * 5, Math.max(1, ((until - moment()) / this.wish.speed) * 1000)));
    }
    return !this.stopped;
  }
  private read: string | undefined;

  /** Presses Go where the list is at the cue before; else says so, and does not press. */
  private async press({ row, cue, called }: CallStep, moment: number): Promise<boolean> {
    const before = this.list.cues[row - 1]?.number ?? "";
    const stands = this.stands.get(this.list.id) ?? "";
    const own = this.list.cues[row];
    const where = called ? callWords(own?.call) : "which has no word";
    if (stands !== before) {
      const standing = stands === "" ? "before its first cue" : `at cue ${stands}`;
      this.say(
        "says",
        `Cue ${cue} is not pressed: the list is ${standing} and not ${before === "" ? "before its first" : `at ${before}`}`,
        { moment, cue },
      );
      return false;
    }
    await this.world.send(`${this.door}/go`, cue);
    this.say("go", `Cue ${cue}, go: ${where}`, { moment, cue, line: own?.call?.line ?? null });
    return true;
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
    this.world.tell({ what, words, moment: Math.round(moment * 10) / 10, line, cue });
  }
}

/** True for a show that can be called: it has a script with a cue in it. */
export function canBeCalled(sheet: ShowSheet, list: ListSheet): boolean {
  const { script } = sheet.show;
  return script !== undefined && lineTimes(script).size > 0 && list.cues.some(({ call }) => callMoment(script, call) !== null);
}
