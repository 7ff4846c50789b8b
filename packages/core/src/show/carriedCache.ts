/** How a cache computes its values, and how it brings one up to date. `Change` tells what differs between two things. */
interface CacheRules<K, V, Change> {
  /** Works a value out from nothing. */
  readonly make: (of: K) => V;
  /** The value of `of`, from that of an older thing and all that has changed since; undefined where it is better made from nothing. */
  readonly renew: (of: K, base: K, known: V, change: Change) => V | undefined;
  /** Two changes, one behind the other, as one; undefined where that is too much to be worth following. */
  readonly merge: (first: Change, second: Change) => Change | undefined;
}

/**
 * Computes something from a thing once, and brings it up to date over an edit in place of making it anew. Only for things that are
 * never changed, only replaced. Nothing is computed before it is asked for: until then only the changes are gathered.
 * `K` is the thing, such as the sheet of a list; `V` is what is computed from it; `Change` says what an edit touched.
 * An entry that was never asked for costs nothing to carry.
 * Tracking, marks and durations use one each, so that an edit costs what it touches and not what the show weighs.
 */
export class CarriedCache<K extends object, V extends object, Change> {
  private readonly values = new WeakMap<K, V>();
  /** Things whose value is not computed yet, with one before them whose value is. */
  private readonly pending = new WeakMap<K, { readonly base: K; readonly change: Change }>();
  private readonly rules: CacheRules<K, V, Change>;

  constructor(rules: CacheRules<K, V, Change>) {
    this.rules = rules;
  }

  /** The value of a thing; kept for as long as anybody holds the thing. */
  get(of: K): V {
    const known = this.values.get(of);
    if (known) return known;
    const value = this.renewed(of) ?? this.rules.make(of);
    this.keep(of, value);
    return value;
  }

  /** Whether the value of a thing is computed already, so that asking for it costs nothing. */
  has(of: K): boolean {
    return this.values.has(of);
  }

  /** Keeps a value that was computed elsewhere, such as in slices. */
  keep(of: K, value: V): void {
    this.values.set(of, value);
    this.pending.delete(of);
  }

  /** Lets what is known of a thing serve the one that takes its place and differs from it by `change`. */
  carry(before: K, after: K, change: Change): void {
    if (this.values.has(before)) {
      this.pending.set(after, { base: before, change });
      return;
    }
    const older = this.pending.get(before);
    const all = older && this.rules.merge(older.change, change);
    if (older && all !== undefined) this.pending.set(after, { base: older.base, change: all });
  }

  /** The value brought up to date from the older thing that this one came from; undefined where none is known. */
  private renewed(of: K): V | undefined {
    const older = this.pending.get(of);
    const known = older && this.values.get(older.base);
    return older && known && this.rules.renew(of, older.base, known, older.change);
  }
}

/**
 * The union of two sets.
 * Returns one of the two where the other is empty, so it costs nothing in the usual case of a single edit.
 * Neither set is changed.
 */
export function union<T>(a: ReadonlySet<T>, b: ReadonlySet<T>): ReadonlySet<T> {
  return new Set([...a, ...b]);
}
