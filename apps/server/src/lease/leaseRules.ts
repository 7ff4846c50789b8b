/** A leader renews its lease so often, and tells its spares that it lives; milliseconds. */
export const BEAT = 150;
/** So long after it was sent a renewal that was stored, or a beat that every spare has answered, lets the leader lead; milliseconds. */
export const RELIED = 550;
/** A spare leads once both the lease and the line to the leader have stood still for so long; milliseconds. Longer than RELIED, so that the leader has let go by then. */
export const SILENT = 750;

/** What a leader knows of its lease, by its own clock that never goes back; milliseconds. */
export interface Held {
  /** When the newest renewal was sent that has been stored. */
  readonly renewed: number;
  /** By spare that could take the lease: when the newest beat was sent that it has answered. */
  readonly spares: ReadonlyMap<string, number>;
}

/** Until when a leader leads with what it knows: for good where nobody could take the lease, else while the database or every spare has heard of it. Milliseconds. */
export function leadsUntil({ renewed, spares }: Held): number {
  if (spares.size === 0) return Number.POSITIVE_INFINITY;
  return Math.max(renewed, Math.min(...spares.values())) + RELIED;
}

/** A lease as somebody who does not hold it sees it. */
export interface SeenLease {
  /** Who holds it; null: nobody. */
  readonly holder: string | null;
  /** Counts its holders. A lease that was taken by another has a higher number: the fencing number. */
  readonly number: number;
  /** Counts its renewals. */
  readonly beat: number;
  /** Who may take it when its holder falls silent. */
  readonly spares: readonly string[];
}

/** What a spare knows of the leader, by its own clock; milliseconds. */
export interface Watched {
  readonly lease: SeenLease;
  /** Since when the lease has looked so. */
  readonly since: number;
  /** When something came from the leader last. */
  readonly heard: number;
}

/** Whether a spare takes the lease now: nobody holds it, or the leader has been silent towards it and the database alike. */
export function takesNow({ lease, since, heard }: Watched, me: string, now: number): boolean {
  if (lease.holder === null || lease.holder === me) return true;
  return lease.spares.includes(me) && now - since >= SILENT && now - heard >= SILENT;
}

/** Whether two looks at a lease show it unchanged. */
export function isUnchanged(one: SeenLease, other: SeenLease): boolean {
  return one.holder === other.holder && one.number === other.number && one.beat === other.beat;
}
