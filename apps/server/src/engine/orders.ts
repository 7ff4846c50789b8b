import type { Hand, Press, PressedBy, Show, Step } from "@zm/core";
import type { OutputSettings, OutputState, RunEvent, RunState, SentLevels, StageState } from "@zm/protocol";
import type { RunMove } from "../database/columnTypes.ts";
import type { ServerRole } from "../lease/lease.ts";
import type { Settings } from "../settings.ts";
import type { WrittenRun } from "./runFile.ts";

/** All that runs of a show, for a spare that follows it. `origin` is when its clock read 0, milliseconds of the clock of whoever is told. */
export interface FollowedRun {
  readonly written: WrittenRun;
  readonly origin: number;
  readonly hand: Hand | null;
}

/** What the engine's thread is asked to do with a show. Each order has a number by which it is answered. */
export type Order = { readonly number: number; readonly show: number } & (
  | { readonly kind: "open"; readonly document?: { readonly show: Show; readonly revision: number } }
  | { readonly kind: "state" }
  | { readonly kind: "press"; readonly press: Press; readonly from: PressedBy }
  /** An edit of the show, and where it leaves a running list. Very many steps come as the bytes of texts, in pieces, which are handed over without a copy and read in slices. */
  | {
      readonly kind: "edit";
      readonly revision: number;
      readonly steps: readonly Step[];
      readonly pieces: readonly Uint8Array<ArrayBuffer>[];
      readonly run: RunMove | null;
    }
  | { readonly kind: "hand"; readonly hand: Hand }
  /** Forgets a show; one that was removed, with what was written down of it. */
  | { readonly kind: "release"; readonly removed: boolean }
  /** Whether nothing of a show is on: no list stands in a cue, no look is up, nothing moves. */
  | { readonly kind: "isIdle" }
  /** How levels leave for the lights; with settings, from now on so. These speak of no show. */
  | { readonly kind: "output"; readonly settings?: OutputSettings }
  | { readonly kind: "sent" }
  /** Which show is on stage; with `put`, from now on that one, or none. These speak of no show. */
  | { readonly kind: "stage"; readonly put?: number | null }
  /** How punctual its frames have been since somebody last asked. */
  | { readonly kind: "pace" }
  /** What this server does from now on. Speaks of no show. */
  | { readonly kind: "role"; readonly role: ServerRole }
  /** Asks for all that runs of every show, for a spare. */
  | { readonly kind: "running" }
  /** A spare takes all that runs of a show; what has happened to it since; or everything is told anew. */
  | { readonly kind: "followRun"; readonly run: FollowedRun }
  | { readonly kind: "followEvent"; readonly event: RunEvent; readonly bumps: Readonly<Record<string, number>> }
  | { readonly kind: "forgetFollowed" }
  /** Ends: receivers are told that no more levels come. */
  | { readonly kind: "end" }
);

/** An order as it is given, before it has its number. */
export type OrderBody = Order extends infer Each ? (Each extends Order ? Omit<Each, "number"> : never) : never;

/** Why an order was refused: it cannot be done as things stand, it names something that is not there, or the show cannot be read. */
export interface Refusal {
  readonly kind: "conflict" | "fault" | "missing" | "lost" | "cutOff" | "failure";
  readonly messages: readonly string[];
}

/** What an order came to: all that runs, what has happened, or whether nothing is on; as the order asks. */
export interface Answer {
  readonly state?: RunState;
  readonly event?: RunEvent | null;
  readonly idle?: boolean;
  readonly output?: OutputState;
  readonly sent?: SentLevels;
  readonly stage?: Omit<StageState, "title">;
  readonly pace?: EnginePace;
  readonly running?: readonly FollowedRun[];
  /** True where a spare has lost its place, and has to be told all that runs. */
  readonly isLost?: boolean;
}

/** How punctual the frames of the engine have been: how many there were, and how late they came. Milliseconds. */
export interface EnginePace {
  readonly frames: number;
  readonly p50: number;
  readonly p99: number;
  readonly latest: number;
}

/** What the engine's thread tells. */
export type Report =
  | { readonly answer: number; readonly value: Answer }
  | { readonly answer: number; readonly refusal: Refusal }
  | { readonly event: RunEvent; readonly bumps: Readonly<Record<string, number>> }
  /** A show runs here from now on, though nothing has happened to it yet. */
  | { readonly opened: number }
  | { readonly warning: string }
  /** Something is wrong for as long as it is told with words; null: it is over. */
  | { readonly trouble: string; readonly words: string | null }
  /** Which show is on stage has changed. */
  | { readonly onStage: number | null };

/** What the engine's thread is started with. */
export interface EngineSetUp {
  readonly database: Settings["database"];
  /** The folder in which what runs is written down. */
  readonly runs: string;
  /** An address to which levels are sent whatever the settings say. */
  readonly output: string | undefined;
  /** Only a server that leads writes down what runs. One that only reads sends nothing to lights either. */
  readonly role: ServerRole;
  /** Until when it leads, by the clock that no one sets; milliseconds. Beyond that it holds its levels until it is told otherwise. */
  readonly deadline: Float64Array;
  /** Counts its frames, so that one that stands still is seen from outside. */
  readonly beats: Int32Array;
}
