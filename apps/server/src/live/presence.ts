import type { Here } from "@zm/protocol";

/** Which windows have which show open, and where each of them is, by its live line. */
export class Presence {
  private readonly lines = new Map<string, Here>();

  /** A window has told where it is. */
  set(line: string, here: Here): void {
    this.lines.delete(line);
    // A window that comes back before its old line is found dead is one all the same.
    for (const [other, { window }] of this.lines) if (window === here.window) this.lines.delete(other);
    this.lines.set(line, here);
  }

  /** A line has ended; gives the show that its window had open, where it had told. */
  leave(line: string): number | undefined {
    const here = this.lines.get(line);
    this.lines.delete(line);
    return here?.show;
  }

  /** The windows of a show, in the order in which they have told something last. */
  of(show: number): Here[] {
    return [...this.lines.values()].filter((here) => here.show === show);
  }
}
