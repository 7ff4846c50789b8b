import type { CueList } from "../show/schema.ts";

/**
 * How a list runs by itself.
 * The field `steps` of a list (docs/running.md, Lists).
 */
export type StepsSettings = NonNullable<CueList["steps"]>;

/** How many steps one round has. */
function roundLength(order: StepsSettings["order"], count: number): number {
  return order === "bounce" ? Math.max(1, 2 * count - 2) : Math.max(1, count);
}

/**
 * The row of a step, counted from 0 over all rounds. Every round begins with the first cue; `back` goes on from the last, `bounce` there and
 * back, `shuffle` in an order drawn anew for each round out of the list's name, so that every window draws the same.
 * Every window draws the same shuffle, and no step comes twice in a row. `count` is how many cues the list has.
 */
export function stepRow(list: string, order: StepsSettings["order"], count: number, step: number): number {
  const length = roundLength(order, count);
  const place = step % length;
  switch (order) {
    case "back":
      return place === 0 ? 0 : count - place;
    case "bounce":
      return place < count ? place : length - place;
    case "shuffle":
      return drawn(list, Math.floor(step / length), count)[place] ?? 0;
    default:
      return place;
  }
}

/**
 * The step behind one, or -1 where the rounds are over and the list stays in its last.
 * `rounds` 0 is for ever.
 */
export function stepAfter({ order, rounds = 0 }: StepsSettings, count: number, step: number): number {
  const isLast = rounds > 0 && step + 1 >= rounds * roundLength(order, count);
  return isLast ? -1 : step + 1;
}

/**
 * The first step of a round at which a row stands; 0 for a row that the list does not have.
 * For a start at a named cue and for a go-to.
 */
export function stepAt(list: string, order: StepsSettings["order"], count: number, row: number, round: number): number {
  const length = roundLength(order, count);
  for (let place = 0; place < length; place += 1)
    if (stepRow(list, order, count, round * length + place) === row) return round * length + place;
  return round * length;
}

/**
 * The seconds between two steps; a tempo counts before an interval.
 * 60 / beats a minute where a tempo is named that exists; 1 s where neither is said.
 */
export function intervalOf({ interval = 1, tempo }: StepsSettings, perMinute: (tempo: string) => number | undefined): number {
  const beats = tempo === undefined ? undefined : perMinute(tempo);
  return beats === undefined ? interval : 60 / beats;
}

/** The rows of one round in an order that is drawn: the first row first, so that no row comes twice in a row where rounds meet. */
function drawn(list: string, round: number, count: number): number[] {
  const rows = Array.from({ length: count }, (_, row) => row);
  let seed = 0x811c9dc5 ^ round;
  for (const letter of list) seed = Math.imul(seed ^ (letter.codePointAt(0) ?? 0), 0x01000193);
  for (let place = count - 1; place > 1; place -= 1) {
    seed = Math.imul(seed ^ (seed >>> 15), 0x2c1b3c6d);
    seed = Math.imul(seed ^ (seed >>> 12), 0x297a2d39);
    seed ^= seed >>> 15;
    const other = 1 + ((seed >>> 0) % place);
    [rows[place], rows[other]] = [rows[other] ?? 0, rows[place] ?? 0];
  }
  return rows;
}
