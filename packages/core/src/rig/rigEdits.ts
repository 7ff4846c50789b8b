import type { EditInput } from "../edit/index.ts";
import { ShowError } from "../show/errors.ts";
import type { Channel, Show } from "../show/schema.ts";
import { UNIVERSE, addressesOf } from "./addresses.ts";
import { thereIsNo } from "../show/thereIsNo.ts";

/** A row of lights of one type to add or to patch anew: channels from..to, one behind the other from an address on. */
export interface BulkRow {
  readonly from: number;
  readonly to: number;
  readonly type: string;
  readonly patch?: Channel["patch"];
  /** Each light is called this and counted: "Front 1", "Front 2". */
  readonly label?: string | undefined;
}

/** So many lights at once are taken for a slip of the finger. */
const MOST = 2000;

/**
 * The edits that make a row of lights ("1 to 12, LED wash, from 1.1"). What stands in the rig already keeps its place, and its
 * label where none is given. A row that does not fit a universe goes on in the next. Throws ShowError for an unknown type.
 * Addresses run on by what each light of the type takes. Nothing is changed here: the edits have their impact and undo as any.
 */
export function bulkEdits(show: Show, { from, to, type, patch, label }: BulkRow): EditInput[] {
  if (!show.fixtureTypes.some((each) => each.id === type))
    throw new ShowError(
      thereIsNo(
        "fixture type",
        type,
        show.fixtureTypes.map((each) => each.name || each.id),
      ),
    );
  if (!(Number.isInteger(from) && Number.isInteger(to) && from >= 1 && to >= from))
    throw new ShowError(`${from} to ${to} is not a row of lights; write the lower number first`);
  if (to - from >= MOST) throw new ShowError(`${to - from + 1} lights at once are too many; add at most ${MOST}`);
  const known = new Map(show.channels.map((channel) => [channel.number, channel]));
  const width = addressesOf(show, type);
  let next = patch;
  return Array.from({ length: to - from + 1 }, (_, index): EditInput => {
    const before = known.get(from + index);
    const own = label ? `${label} ${index + 1}` : before?.label;
    const channel: Channel = {
      number: from + index,
      type,
      ...(own === undefined ? {} : { label: own }),
      ...(next ? { patch: next } : before?.patch ? { patch: before.patch } : {}),
      ...(before?.place ? { place: before.place } : {}),
    };
    next = next && withRoom(behind(next, width), width);
    return { op: "setChannel", channel };
  });
}

/** Where a light is patched. */
type Patch = NonNullable<Channel["patch"]>;

/** The address behind a light that takes so many. */
function behind({ universe, address }: Patch, width: number): Patch {
  return { universe, address: address + width };
}

/** Where a light of so many addresses finds room: here, or at the beginning of the next universe. */
function withRoom(patch: Patch, width: number): Patch {
  return patch.address + width - 1 > UNIVERSE ? { universe: patch.universe + 1, address: 1 } : patch;
}

/** The channels of the rig that are named, in that order. */
function named(show: Show, channels: readonly number[]): Channel[] {
  const known = new Map(show.channels.map((channel) => [channel.number, channel]));
  return channels.flatMap((number) => known.get(number) ?? []);
}

/**
 * The edits that call lights by one name, counted where there are several: "Front 1", "Front 2".
 * Lights that are not in the rig are passed over. The order given is the order in which they are counted.
 */
export function labelEdits(show: Show, channels: readonly number[], label: string): EditInput[] {
  return named(show, channels).map((channel, index): EditInput => {
    return { op: "setChannel", channel: { ...channel, label: channels.length === 1 ? label : `${label} ${index + 1}` } };
  });
}

/**
 * The edits that patch lights one behind the other in the order given; each takes as many addresses as its own type has.
 * A light that does not fit the rest of its universe begins the next, at address 1.
 * Clashes with lights that are not named are not avoided: `newPatchFaults` tells of them before it is done.
 */
export function repatchEdits(show: Show, channels: readonly number[], patch: Patch): EditInput[] {
  let next = patch;
  return named(show, channels).map((channel): EditInput => {
    const width = addressesOf(show, channel.type);
    const at = withRoom(next, width);
    next = behind(at, width);
    return { op: "setChannel", channel: { ...channel, patch: { ...channel.patch, ...at } } };
  });
}

/**
 * The edits that number lights anew from `start` on, in the order given. Each goes when its number has become free; where they
 * wait for one another in a circle, one steps aside to a number that no light has.
 * Cues follow: each edit renames the light in all lists, groups and palettes.
 * A number that belongs to a light which is not renumbered is refused when the edit is made.
 */
export function renumberEdits(show: Pick<Show, "channels">, channels: readonly number[], start: number): EditInput[] {
  let waiting = channels.map((channel, index) => ({ channel, to: start + index })).filter(({ channel, to }) => channel !== to);
  const held = new Set(waiting.map(({ channel }) => channel));
  const edits: EditInput[] = [];
  const go = (from: { channel: number; to: number }, to: number): void => {
    edits.push({ op: "renumberChannel", channel: from.channel, to });
    held.delete(from.channel);
    waiting = waiting.filter((each) => each !== from);
  };
  while (waiting.length > 0) {
    const able = waiting.find(({ to }) => !held.has(to));
    const first = able ?? waiting[0];
    if (!first) break;
    if (able) go(able, able.to);
    else {
      const aside = freeNumber([...show.channels.map(({ number }) => number), ...channels.map((_, index) => start + index)]);
      go(first, aside);
      waiting = [...waiting, { channel: aside, to: first.to }];
      held.add(aside);
    }
  }
  return edits;
}

/** The highest number that a light can have. */
const HIGHEST = 99_999;

/** The highest number that is none of these. */
function freeNumber(taken: readonly number[]): number {
  const all = new Set(taken);
  let free = HIGHEST;
  while (all.has(free)) free -= 1;
  return free;
}

/**
 * The edits that hang lights in a row from one place in the air to another, in the order given. Metres.
 * Equal distances, the first at one end and the last at the other; a single light hangs at the first.
 */
export function hangEdits(
  show: Show,
  channels: readonly number[],
  from: NonNullable<Channel["place"]>,
  to: NonNullable<Channel["place"]>,
): EditInput[] {
  const at = (a: number, b: number, index: number): number =>
    Math.round((a + ((b - a) * index) / Math.max(1, channels.length - 1)) * 100) / 100;
  return named(show, channels).map((channel, index): EditInput => {
    const place = { ...channel.place, x: at(from.x, to.x, index), y: at(from.y, to.y, index), z: at(from.z, to.z, index) };
    return { op: "setChannel", channel: { ...channel, place } };
  });
}
