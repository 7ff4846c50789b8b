import { readFileSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { EMPTY_HAND, type Hand, type MixSnapshot, ShowError, readHand, readMixSnapshot, renamedField } from "@zm/core";
import { z } from "zod";
import { errorMessage } from "../shared/errorMessage.ts";
import { type DamagedFile, SoundFile, type SoundReading, keepAside } from "../shared/soundFile.ts";

/** A run as it is written down: what runs, and when by the machine's clock (milliseconds) the run's clock read `mix.now`. */
export interface WrittenRun {
  readonly show: number;
  readonly version: number;
  readonly takenAt: number;
  /** The revision of the show that it has taken in; undefined where the version before did not say. */
  readonly revision: number | undefined;
  /** The ids of the newest presses. */
  readonly done: readonly string[];
  /** The held looks of which a bump was pressed, and where each fader goes back to. */
  readonly bumps: Readonly<Record<string, number>>;
  readonly mix: MixSnapshot;
}

/** What is in hand, as it is written down beside the run. */
interface WrittenHand {
  readonly hand: string;
}

const olderHead = z.object({ show: z.number().int(), version: z.number(), takenAt: z.number() });
const head = olderHead.extend({ revision: z.number().int(), done: z.array(z.string()), bumps: z.record(z.string(), z.number()) });
const handText = z.object({ hand: z.string() });

/** The files in which what runs and what is in hand is written down, for each show, so that it stands again after a crash, with the database away too. */
export class RunFiles {
  private readonly runs = new Map<number, SoundFile<WrittenRun>>();
  private readonly hands = new Map<number, SoundFile<WrittenHand>>();

  constructor(private readonly folder: string) {}

  /** Writes a run down, whole or not at all, while the frames go on; what goes wrong with the disk comes through. */
  write(run: WrittenRun): Promise<void> {
    return this.runOf(run.show).write(run);
  }

  /** Writes down what is in hand of a show. */
  writeHand(show: number, hand: Hand): Promise<void> {
    return this.handOf(show).write({ hand: JSON.stringify({ ...hand, leaving: {} }) });
  }

  /** Resolves when nothing waits to be written any more. */
  async settled(): Promise<void> {
    await Promise.all([...this.runs.values(), ...this.hands.values()].map((file) => file.settled()));
  }

  /** A show's run as the newest sound file has it, and what was damaged. */
  read(show: number): SoundReading<WrittenRun> {
    const reading = this.runOf(show).read();
    const older = this.readOlder(show);
    // What the version before wrote counts until something newer is there.
    return { data: reading.data ?? older.data, damaged: [...reading.damaged, ...older.damaged] };
  }

  /** What was in hand of a show, and what was damaged. */
  readHand(show: number): SoundReading<Hand> {
    const { data, damaged } = this.handOf(show).read();
    return { data: data && (readHand(data.hand) ?? EMPTY_HAND), damaged };
  }

  /** Forgets a show's run and Hand, with what waits to be written of them. */
  async remove(show: number): Promise<void> {
    await Promise.all([this.runOf(show).remove(), this.handOf(show).remove()]);
    this.runs.delete(show);
    this.hands.delete(show);
    rmSync(this.olderPath(show), { force: true });
  }

  /** The shows of which a run is written down. */
  shows(): number[] {
    try {
      const found = readdirSync(this.folder).flatMap((name) => {
        const number = /^show-(\d+)(?:\.[ab])?\.json$/.exec(name)?.[1];
        return number === undefined ? [] : [Number(number)];
      });
      return [...new Set(found)];
    } catch {
      return [];
    }
  }

  private runOf(show: number): SoundFile<WrittenRun> {
    const known = this.runs.get(show) ?? new SoundFile(join(this.folder, `show-${show}`), (raw) => readWrittenRun(raw, show));
    this.runs.set(show, known);
    return known;
  }

  private handOf(show: number): SoundFile<WrittenHand> {
    const known = this.hands.get(show) ?? new SoundFile(join(this.folder, `hand-${show}`), handIn);
    this.hands.set(show, known);
    return known;
  }

  private olderPath(show: number): string {
    return join(this.folder, `show-${show}.json`);
  }

  private readOlder(show: number): { data: WrittenRun | undefined; damaged: DamagedFile[] } {
    const path = this.olderPath(show);
    let text: string;
    try {
      text = readFileSync(path, "utf8");
    } catch {
      return { data: undefined, damaged: [] };
    }
    try {
      return { data: readWrittenRun(JSON.parse(text), show, true), damaged: [] };
    } catch (error) {
      return { data: undefined, damaged: [{ path: keepAside(path), why: errorMessage(error) }] };
    }
  }
}

/** A written run, held against its shape. Throws Error that says what is missing or damaged. */
export function readWrittenRun(raw: unknown, show: number, older = false): WrittenRun {
  // The version was called `turn` before.
  const parsed = (older ? olderHead : head).safeParse(renamedField(raw, "turn", "version"));
  if (!parsed.success) throw new Error(`${parsed.error.issues.map(({ path }) => path.join(".")).join(", ")} missing or damaged`);
  if (parsed.data.show !== show) throw new Error(`it is of show ${parsed.data.show}`);
  const mix: unknown = typeof raw === "object" && raw !== null ? Reflect.get(raw, "mix") : undefined;
  try {
    return { revision: undefined, done: [], bumps: {}, ...parsed.data, mix: readMixSnapshot(mix, older) };
  } catch (error) {
    throw new Error(error instanceof ShowError ? error.faults.join("; ") : errorMessage(error), { cause: error });
  }
}

/** What was written of a Hand, held against its shape. Throws Error where it cannot be read. */
function handIn(raw: unknown): WrittenHand {
  const parsed = handText.safeParse(raw);
  if (!parsed.success || !readHand(parsed.data.hand)) throw new Error("what was in hand cannot be read");
  return parsed.data;
}
