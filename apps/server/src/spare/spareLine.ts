import type { Socket } from "socket.io";
import { steadyNow } from "../shared/clock.ts";
import type { Beat, BeatReply, Caller, Message, Reply } from "./messages.ts";
import { written } from "./messages.ts";

/** A spare that has not answered a message for so long is no longer up to date. Milliseconds. */
const LONGEST = 5000;
/** A spare that has lost its place is told anew after so long. Milliseconds. */
const AGAIN = 100;

/** The line of a leader to one spare: messages go in order, and it is known which of them the spare has done. */
export class SpareLine {
  /** True once it has been told everything, and may take over. */
  isReady = false;
  /** Whether it reaches the database, as it said last. */
  reachesDatabase = false;
  private sent = 0;
  private done = 0;
  /** Shows in which it has lost its place. */
  private readonly lost = new Set<number>();
  private readonly waiting = new Set<() => void>();

  /** `tellAnew` tells all that runs of a show; `fail` hears that the spare does not answer any more. */
  constructor(
    private readonly socket: Socket,
    readonly caller: Caller,
    private readonly tellAnew: (line: SpareLine, show: number) => void,
    private readonly fail: (line: SpareLine) => void,
  ) {}

  get isOpen(): boolean {
    return this.socket.connected;
  }

  tell(message: Message): void {
    this.sent += 1;
    const number = this.sent;
    this.socket.timeout(LONGEST).emit("tell", written(message), (error: Error | null, reply?: Reply) => {
      if (error) return this.fail(this);
      this.done = Math.max(this.done, number);
      const show = showOf(message);
      if (show !== undefined) this.noteWhetherLost(show, message.kind === "run", reply?.isLost === true);
      for (const look of [...this.waiting]) look();
    });
  }

  /** Says that the leader lives; `heard` is told when it was sent that the spare has answered. */
  beat(clock: number, heard: (sent: number) => void): void {
    const beat: Beat = { sent: steadyNow(), clock };
    this.socket.timeout(LONGEST).emit("beat", beat, (error: Error | null, reply?: BeatReply) => {
      if (error) return;
      this.reachesDatabase = reply?.database === true;
      heard(beat.sent);
    });
  }

  /** Resolves with true when everything that was told so far is done, with false where that takes longer than `patience` milliseconds. */
  caughtUp(patience: number): Promise<boolean> {
    const wanted = this.sent;
    return new Promise((resolve) => {
      const end = (isDone: boolean): void => {
        clearTimeout(limit);
        this.waiting.delete(look);
        resolve(isDone);
      };
      const look = (): void => {
        if (this.done >= wanted && this.lost.size === 0) end(true);
      };
      const limit = setTimeout(() => end(false), patience);
      this.waiting.add(look);
      look();
    });
  }

  close(): void {
    this.socket.disconnect(true);
  }

  private noteWhetherLost(show: number, isWhole: boolean, isLost: boolean): void {
    if (isWhole && !isLost) this.lost.delete(show);
    if (!isLost) return;
    const isKnown = this.lost.has(show);
    this.lost.add(show);
    // What follows until it is told anew is lost with it, and asks for nothing more.
    if (!isKnown || isWhole) setTimeout(() => this.tellAnew(this, show), isWhole ? AGAIN : 0).unref();
  }
}

function showOf(message: Message): number | undefined {
  switch (message.kind) {
    case "run":
      return message.run.written.show;
    case "event":
      return message.event.show;
    case "edit":
    case "hand":
      return message.show;
    default:
      return undefined;
  }
}
