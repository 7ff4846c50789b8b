import type { Press } from "@zm/core";

/** A press that waits for its turn, or for its answer. */
interface Waiting {
  readonly press: Press;
  readonly of: string | undefined;
  readonly done: (result: PressResult) => void;
}

/** What came of a press: what it was answered, why it was refused, or that a newer position of the same fader took its place. */
export type PressResult = { readonly answer: unknown } | { readonly refusal: unknown } | { readonly givesWay: true };

/** Presses that set one thing to a value, of which only the newest counts: what they set. Undefined for what happens each time, such as Go. */
export function faderOf(press: Press): string | undefined {
  switch (press.press) {
    case "master":
    case "fader":
    case "rate":
      return `${press.press}/${press.list ?? ""}`;
    case "look":
      return `look/${press.look}`;
    case "tempo":
      return `tempo/${press.tempo}`;
    default:
      return undefined;
  }
}

/**
 * Sends the presses of a window one behind the other, so that they arrive in the order in which they were made. Of the positions of one fader that wait, the
 * newest is sent, and it is the last one.
 */
export class PressQueue {
  private waiting: Waiting[] = [];
  private isSending = false;

  constructor(private readonly send: (press: Press) => Promise<unknown>) {}

  /** Sends a press in order; settles with what came of it. */
  add(press: Press): Promise<PressResult> {
    const of = faderOf(press);
    if (of !== undefined) {
      for (const older of this.waiting) if (older.of === of) older.done({ givesWay: true });
      this.waiting = this.waiting.filter((older) => older.of !== of);
    }
    return new Promise((done) => {
      this.waiting.push({ press, of, done });
      void this.work();
    });
  }

  private async work(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    for (let next = this.waiting.shift(); next; next = this.waiting.shift()) {
      const result: PressResult = await this.send(next.press).then(
        (answer) => ({ answer }),
        (refusal: unknown) => ({ refusal }),
      );
      next.done(result);
    }
    this.isSending = false;
  }
}
