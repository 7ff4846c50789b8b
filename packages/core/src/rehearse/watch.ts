// What is seen while a show runs against lights with speeds: each key that was told something is followed until it is there.
import { tenths } from "../time/timeWords.ts";
import { at, floatAt, intAt } from "../show/at.ts";
import { figure } from "../show/words.ts";
import { isBlackout } from "../show/blackout.ts";
import { type Key, intensityOf } from "../sheet/keys.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { markedKeys } from "../marks/mark.ts";
import { marksMadeAt } from "../marks/marks.ts";
import type { SimulatedRig } from "../output/simulatedRig.ts";
import { durationOf, transitionOf } from "../time/transition.ts";
import { type RehearsalCode, type RehearsalFinding, reported } from "./findings.ts";

/** A light is seen above so many per cent, and a blackout is dark below. */
const SEEN = 1;
const DARK = 0.5;
/** A cue's time may be overrun by so much before anybody sees it. Seconds. */
const PATIENCE = 0.25;
const NEAR = 1e-6;

/** Why a key moves: it fades as a cue says, it jumped, or it goes to its mark. */
const NOTHING = 0;
const FADE = 1;
const JUMP = 2;
const MARK = 3;

/** What a cue tells a key, until its delay is over. */
interface PlannedMove {
  readonly due: number;
  readonly key: Key;
  readonly row: number;
  readonly to: number;
  readonly fade: number;
}

/** A mark whose light is not dark yet. */
interface Prepared {
  readonly channel: number;
  readonly calledAt: number;
  readonly from: number;
  readonly keys: readonly { readonly key: Key; readonly to: number }[];
}

/** What is seen as it goes on; a fade that is cut is known in a moment. */
type SeenCode = Exclude<RehearsalCode, "cut-short">;

/** Something that is being seen: since when, and until when it was seen last. */
interface Sighting {
  readonly code: SeenCode;
  readonly row: number;
  readonly key: Key;
  readonly from: number;
  until: number;
}

/** Watches a list that is run in order, and tells what an audience would see that is hardly meant (docs/running.md, Rehearsal). Times are seconds of the run. */
export class Watch {
  private readonly why: Uint8Array;
  private readonly rows: Int32Array;
  private readonly ends: Float64Array;
  private readonly targets: Float64Array;
  private readonly before: Float64Array;
  /** By channel, the ordinal of its intensity; -1: it has none and counts as lit. */
  private readonly levels: ReadonlyMap<number, number>;
  private readonly active = new Set<number>();
  private planned: PlannedMove[] = [];
  private prepared: Prepared[] = [];
  private readonly seen = new Map<string, Sighting>();
  private readonly cuts: { at: number; row: number; by: number; key: Key; lost: number }[] = [];
  /** By row: when its time is over. */
  private readonly over: Float64Array;
  private standing = -1;

  constructor(
    private readonly list: ListSheet,
    private readonly rig: SimulatedRig,
  ) {
    const { all, byChannel } = list.keys;
    this.why = new Uint8Array(all.length);
    this.rows = new Int32Array(all.length).fill(-1);
    this.ends = new Float64Array(all.length);
    this.targets = Float64Array.from(rig.target);
    this.before = Float64Array.from(rig.target);
    this.levels = new Map([...byChannel.keys()].map((channel) => [channel, intensityOf(list.keys, channel)?.ordinal ?? -1]));
    this.over = new Float64Array(list.cues.length).fill(Number.POSITIVE_INFINITY);
  }

  /** The list has fired a row in its order at a moment. */
  fired(row: number, now: number): void {
    // Light in a blackout is seen up to here, though nobody looked while nothing moved.
    if (this.standing >= 0) this.lookAtBlackout(now);
    const transition = transitionOf(this.list, row);
    this.over[row] = now + durationOf(transition);
    this.standing = row;
    const due = new Map(transition.runs.map((run) => [run.key.ordinal, now + run.delay]));
    // A newer cue drops what an older one left waiting, where that would take hold with it or later.
    this.planned = this.planned.filter((each) => each.due < (due.get(each.key.ordinal) ?? Number.POSITIVE_INFINITY));
    for (const { key, delay, to, fade } of transition.runs) this.planned.push({ due: now + delay, key, row, to, fade });
    this.planned.sort((a, b) => a.due - b.due);
    for (const mark of marksMadeAt(this.list, row)) {
      const keys = markedKeys(this.list, mark);
      this.prepared.push({ channel: mark.channel, calledAt: mark.calledAt, from: now + mark.delay, keys });
    }
    // What is called now is prepared no longer: a mark that never began moves with the cue.
    this.prepared = this.prepared.filter(({ calledAt }) => calledAt > row);
  }

  /** Looks at a frame: the rig has been told everything of `now` and has moved since the frame before. */
  look(now: number): void {
    this.takeHold(now);
    for (const ordinal of this.active) this.lookAt(ordinal, now);
    if (this.standing >= 0) this.lookAtBlackout(now);
    this.before.set(this.rig.target);
  }

  /** True while nothing is followed and nothing waits. */
  get isQuiet(): boolean {
    return this.active.size === 0 && this.planned.length === 0;
  }

  /** Everything that was seen, in the order of time. */
  findings(): RehearsalFinding[] {
    // What is over within a frame nobody sees.
    const seen = [...this.seen.values()]
      .filter(({ code, from, until }) => code !== "sweep-seen" || until > from)
      .map((each) => this.findingOf(each));
    const cuts = this.cuts.map(({ at: moment, row, by, key, lost }): RehearsalFinding => {
      const [cue, next] = [this.cue(row), this.cue(by)];
      const message = `${this.named(key)} loses ${figure(reported(lost))} s of its fade in cue ${cue}: cue ${next} takes it away. Let ${next} come later, or shorten the fade`;
      return { code: "cut-short", cue, channel: key.channel, key: key.name, at: reported(moment), seconds: reported(lost), message };
    });
    return [...seen, ...cuts].sort((a, b) => a.at - b.at || a.channel - b.channel || a.key.localeCompare(b.key));
  }

  private takeHold(now: number): void {
    while (this.planned[0] && this.planned[0].due <= now) {
      const next = this.planned.shift();
      if (next) this.begin(next);
    }
    for (const mark of this.prepared) {
      if (mark.from > now || this.levelOf(mark.channel) > 0) continue;
      for (const { key, to } of mark.keys) this.follow(key.ordinal, MARK, mark.calledAt, Number.POSITIVE_INFINITY, to);
      this.prepared = this.prepared.filter((each) => each !== mark);
    }
  }

  private begin({ due, key, row, to, fade }: PlannedMove): void {
    const { ordinal } = key;
    const lost = floatAt(this.ends, ordinal) - due;
    const isCut = this.why[ordinal] === FADE && lost > NEAR && Math.abs(floatAt(this.targets, ordinal) - to) > NEAR;
    if (isCut) this.cuts.push({ at: due, row: intAt(this.rows, ordinal), by: row, key, lost });
    const moves = Math.abs(floatAt(this.rig.target, ordinal) - to) > NEAR || Math.abs(floatAt(this.targets, ordinal) - to) > NEAR;
    if (moves || isCut) this.follow(ordinal, fade > 0 ? FADE : JUMP, row, due + fade, to);
  }

  private follow(ordinal: number, why: number, row: number, ends: number, to: number): void {
    this.why[ordinal] = why;
    this.rows[ordinal] = row;
    this.ends[ordinal] = ends;
    this.targets[ordinal] = to;
    this.active.add(ordinal);
  }

  private lookAt(ordinal: number, now: number): void {
    const target = floatAt(this.rig.target, ordinal);
    const lags = target !== floatAt(this.rig.actual, ordinal);
    const why = this.why[ordinal] ?? NOTHING;
    if (lags || target !== floatAt(this.before, ordinal)) return this.lookAtMoving(ordinal, why, lags, now);
    const isThere = why === MARK ? Math.abs(target - floatAt(this.targets, ordinal)) < NEAR : now > floatAt(this.ends, ordinal);
    if (isThere) this.active.delete(ordinal);
  }

  private lookAtMoving(ordinal: number, why: number, lags: boolean, now: number): void {
    // What moves as it was told to is a fade, and no finding.
    if (why !== MARK && !lags) return;
    const key = at(this.list.keys.all, ordinal);
    if (this.levelOf(key.channel) <= SEEN) return;
    const row = intAt(this.rows, ordinal);
    if ((why === MARK && now > NEAR) || (why === JUMP && key.attribute.family === "position")) this.see("sweep-seen", row, key, now);
    if (why !== MARK && now > floatAt(this.over, row) + PATIENCE) this.see("late", row, key, now);
  }

  private lookAtBlackout(now: number): void {
    const row = this.standing;
    if (now <= floatAt(this.over, row) + NEAR || !isBlackout(at(this.list.cues, row).label ?? "")) return;
    for (const ordinal of this.levels.values()) {
      if (ordinal >= 0 && floatAt(this.rig.actual, ordinal) > DARK) this.see("dark-missed", row, at(this.list.keys.all, ordinal), now);
    }
  }

  private see(code: SeenCode, row: number, key: Key, now: number): void {
    const name = `${code} ${row} ${key.ordinal}`;
    const known = this.seen.get(name);
    if (known) known.until = now;
    else this.seen.set(name, { code, row, key, from: now, until: now });
  }

  /** What a light gives, in per cent; one without a level counts as full. */
  private levelOf(channel: number): number {
    const ordinal = this.levels.get(channel) ?? -1;
    return ordinal < 0 ? 100 : floatAt(this.rig.actual, ordinal);
  }

  private findingOf({ code, row, key, from, until }: Sighting): RehearsalFinding {
    const cue = this.cue(row);
    const lasts = code === "late" ? until - floatAt(this.over, row) : until - from;
    const seconds = reported(lasts);
    const message = `${this.named(key)} ${WORDS[code](cue, tenths(seconds))}`;
    return {
      code,
      cue,
      channel: key.channel,
      key: key.name,
      at: reported(code === "late" ? floatAt(this.over, row) : from),
      seconds,
      message,
    };
  }

  private cue(row: number): string {
    return this.list.cues[row]?.number ?? "";
  }

  private named({ channel, attribute }: Key): string {
    return `Light ${channel}, ${attribute.name ?? attribute.id},`;
  }
}

/** What is seen of each kind, and what can be done; `seconds` is how long it lasts, in figures. */
const WORDS: Readonly<Record<SeenCode, (cue: string, seconds: string) => string>> = {
  "sweep-seen": (cue, seconds) =>
    `is seen travelling for ${seconds} s as cue ${cue} has it lit; prepare it earlier, or bring the light up later`,
  late: (cue, seconds) =>
    `is still moving ${seconds} s after cue ${cue} is complete: it cannot go faster. Give it a longer fade, or a shorter way`,
  "dark-missed": (cue, seconds) => `gives light for ${seconds} s in cue ${cue}, which is called a blackout; take it out there`,
};
