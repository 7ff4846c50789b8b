/** Answers that came this much slower than the quickest say little of the clock; milliseconds. */
const SLOWER = 5;
/** So many of the newest are looked at. */
const MANY = 20;

/** How far the clock of a leader is from this server's, from the beats that come from it: the quickest of the newest say it best. No time of day is compared. */
export class LeaderClock {
  private beats: { offset: number; lag: number }[] = [];

  /** A beat that left the leader when its clock said `theirs`, and came here when this server's said `ours`. Its way is at least 0, so the least difference is nearest. */
  hear(theirs: number, ours: number): void {
    this.beats = [...this.beats, { offset: theirs - ours, lag: ours - theirs }].slice(-MANY);
  }

  /** Milliseconds to add to this server's clock to have the leader's. */
  get offset(): number {
    const least = Math.min(...this.beats.map(({ lag }) => lag));
    const quick = this.beats.filter(({ lag }) => lag <= least + SLOWER);
    return quick.length === 0 ? 0 : Math.max(...quick.map(({ offset }) => offset));
  }
}
