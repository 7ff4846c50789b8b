import { type Hand, type Step, readHand } from "@zm/core";
import { type OscSettings, type OutputSettings, type RunEvent, oscSettings, outputSettings, runEvent } from "@zm/protocol";
import { z } from "zod";
import type { FollowedRun } from "../engine/orders.ts";
import { readWrittenRun } from "../engine/runFile.ts";
import { stepsIn } from "../shows/stepsIn.ts";

/** The namespace of the line between a leader and its spares. */
export const SPARE_LINE = "/spare";

/** What a leader tells a spare, in the order in which it happens; each is answered when it is done. */
export type Message =
  | { readonly kind: "settings"; readonly output: OutputSettings; readonly osc: OscSettings }
  | { readonly kind: "stage"; readonly show: number | null }
  | { readonly kind: "run"; readonly run: FollowedRun }
  | { readonly kind: "event"; readonly event: RunEvent; readonly bumps: Readonly<Record<string, number>> }
  /** Very many steps are not told: the spare reads the show. */
  | { readonly kind: "edit"; readonly show: number; readonly revision: number; readonly steps: readonly Step[] }
  | { readonly kind: "hand"; readonly show: number; readonly hand: Hand }
  | { readonly kind: "removed"; readonly show: number }
  /** All that runs has been told: the spare may take over from now on. */
  | { readonly kind: "ready" }
  /** The lease has been handed to this spare. */
  | { readonly kind: "lead" }
  /** The leader does not reach the database and leads no more: the spare takes the lease by itself. */
  | { readonly kind: "take" };

/** What a spare answers: nothing is wrong, or it has lost its place in a show, which has to be told anew. */
export interface Reply {
  readonly isLost: boolean;
}

/** What a spare answers to a beat. */
export interface BeatReply {
  /** Whether the spare reaches the database. */
  readonly database: boolean;
}

/** That a leader lives: when it was sent, by the leader's clock that no one sets, and what its own clock said. Milliseconds. */
export interface Beat {
  readonly sent: number;
  readonly clock: number;
}

/** Who a spare is, as it says when it calls. */
export const caller = z.object({ secret: z.string(), id: z.string().regex(/^[0-9a-f]{32}$/), address: z.string().max(100) });
export type Caller = z.infer<typeof caller>;

/** A message as it goes over the line: steps, runs and hands as text, which is read with the readers of files. */
export function written(message: Message): object {
  switch (message.kind) {
    case "edit":
      return { ...message, steps: JSON.stringify(message.steps) };
    case "hand":
      return { ...message, hand: JSON.stringify(message.hand) };
    case "run":
      return { ...message, run: { ...message.run, hand: message.run.hand && JSON.stringify(message.run.hand) } };
    default:
      return message;
  }
}

const id = z.number().int();
const bumps = z.record(z.string(), z.number());
const wire = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("settings"), output: outputSettings, osc: oscSettings }),
  z.object({ kind: z.literal("stage"), show: id.nullable() }),
  z.object({
    kind: z.literal("run"),
    run: z.object({ written: z.looseObject({ show: id }), origin: z.number(), hand: z.string().nullable() }),
  }),
  z.object({ kind: z.literal("event"), event: runEvent, bumps }),
  z.object({ kind: z.literal("edit"), show: id, revision: id, steps: z.string() }),
  z.object({ kind: z.literal("hand"), show: id, hand: z.string() }),
  z.object({ kind: z.literal("removed"), show: id }),
  z.object({ kind: z.literal("ready") }),
  z.object({ kind: z.literal("lead") }),
  z.object({ kind: z.literal("take") }),
]);

/** Reads a message from the line. Throws where it is damaged. */
export function readMessage(raw: unknown): Message {
  const message = wire.parse(raw);
  switch (message.kind) {
    case "edit":
      return { ...message, steps: stepsIn(message.steps) };
    case "hand":
      return { ...message, hand: handOf(message.hand) };
    case "run": {
      const { written: run, origin, hand } = message.run;
      return { kind: "run", run: { written: readWrittenRun(run, run.show), origin, hand: hand === null ? null : handOf(hand) } };
    }
    default:
      return message;
  }
}

function handOf(text: string): Hand {
  const hand = readHand(text);
  if (!hand) throw new Error("What is in hand cannot be read");
  return hand;
}
