/** A program that has sent something is told what happens for so long; who says hello again, for so long from then on. Milliseconds. */
const LISTENS = 10 * 60_000;
const MOST = 50;

/** Somebody outside who is told what happens. */
export interface Listener {
  readonly address: string;
  readonly port: number;
  until: number;
  heard: number;
  /** Whether it has asked to be told, by hello; such a one gives way to no stranger. */
  hello: boolean;
}

/** Those outside who are told what happens. There are only so many: the stranger who was heard from longest ago gives way; who has said hello gives way to nobody. */
export class Listeners {
  private readonly all = new Map<string, Listener>();

  /** Somebody was heard. One that no answer can reach is left out. */
  hear(address: string, port: number, now: number): string {
    const who = `${address}:${port}`;
    const known = this.all.get(who);
    if (known) {
      known.heard = now;
      known.until = Math.max(known.until, now + LISTENS);
      return who;
    }
    if (port === 0) return who;
    if (this.all.size >= MOST && !this.giveWay()) return who;
    this.all.set(who, { address, port, until: now + LISTENS, heard: now, hello: false });
    return who;
  }

  /** Somebody has said hello, and is told for as long as it does so again from time to time. */
  greet(who: string, now: number): void {
    const listener = this.all.get(who);
    if (!listener) return;
    listener.hello = true;
    listener.until = now + LISTENS;
  }

  get(who: string): Listener | undefined {
    return this.all.get(who);
  }

  get size(): number {
    return this.all.size;
  }

  /** Those who are to be told now; whose time is over is forgotten. */
  current(now: number): string[] {
    for (const [who, { until }] of this.all) if (until < now) this.all.delete(who);
    return [...this.all.keys()];
  }

  forget(who: string): void {
    this.all.delete(who);
  }

  clear(): void {
    this.all.clear();
  }

  /** Lets the stranger go who was heard from longest ago; false where all have said hello. */
  private giveWay(): boolean {
    const strangers = [...this.all].filter(([, { hello }]) => !hello);
    const [first] = strangers.sort(([, a], [, b]) => a.heard - b.heard);
    if (!first) return false;
    this.all.delete(first[0]);
    return true;
  }
}
