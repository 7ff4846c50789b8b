import {
  type Channel,
  type Emitter,
  type Light,
  type Point,
  type Show,
  type ShowSheet,
  cached,
  directionOf,
  turnedBy,
  emittersOf,
  landing,
  mixOf,
} from "@zm/core";

/** How far back the sea cloth hangs, metres. */
export const BACK = 8.8;

/** One light as the picture shows it at one moment. */
export interface StageLight {
  readonly channel: number;
  /** True for a light that turns: its landing point can be dragged. */
  readonly turns: boolean;
  readonly from: Point;
  readonly to: Point;
  readonly level: number;
  readonly colour: Light;
  /** The whole angle of the beam, degrees. */
  readonly angle: number;
  /** Where it is going, for a light that is not yet there. */
  readonly goal?: Point;
  /** The cue for which a dark light moves, or waits where it will land. */
  readonly waits?: string;
  /** What is written by it in place of its level; with an empty text not even its number. */
  readonly words?: string;
}

type Place = NonNullable<Channel["place"]>;
const ROW_OF = 16;

/** Where each light hangs. Those that the rig gives no place hang in rows over the stage until it does, so that they can be seen and chosen. */
export function hungPlaces(show: Show): ReadonlyMap<number, Place> {
  return placesOf(show.channels);
}

const placesOf = cached((channels: Show["channels"]): ReadonlyMap<number, Place> => {
  const loose = channels.filter(({ place }) => !place);
  const inRow = Math.min(ROW_OF, loose.length);
  const places = new Map<number, Place>();
  for (const { number, place } of channels) if (place) places.set(number, place);
  loose.forEach(({ number }, index) => {
    const across = inRow < 2 ? 0 : -6 + (12 * (index % ROW_OF)) / (inRow - 1);
    places.set(number, { x: across, y: 6.6, z: 0.6 + 0.7 * (Math.floor(index / ROW_OF) % 12) });
  });
  return places;
});

/** What of a light stays from frame to frame: where it hangs, and where its outputs stand among those of the rig. -1: it has no such attribute. */
interface Fixture {
  readonly channel: number;
  readonly place: Place;
  /** How it hangs, where it hangs turned. */
  readonly turn: Point | undefined;
  readonly intensity: number;
  readonly pan: number;
  readonly tilt: number;
  readonly zoom: number;
  readonly emitters: readonly Emitter[];
  /** By emitter. */
  readonly colours: readonly number[];
}

const fixturesOf = cached(({ show, keys }: ShowSheet): readonly Fixture[] => {
  const places = hungPlaces(show);
  return show.channels.flatMap(({ number: channel, place: hung }): Fixture[] => {
    const place = places.get(channel);
    const own = keys.byChannel.get(channel);
    if (!place || !own) return [];
    const ordinal = (attribute: string): number => own.get(attribute)?.ordinal ?? -1;
    const emitters = emittersOf([...own.values()].map(({ attribute }) => attribute));
    return [
      {
        channel,
        place,
        turn: hung?.turn,
        intensity: ordinal("intensity"),
        pan: ordinal("pan"),
        tilt: ordinal("tilt"),
        zoom: ordinal("zoom"),
        emitters,
        colours: emitters.map(({ attribute }) => ordinal(attribute.id)),
      },
    ];
  });
});

/** The whole angle of a beam whose light has no zoom, degrees. */
const PLAIN_ANGLE = 24;

/** The lights of a show, as the outputs (by key ordinal) have them. */
export function stageLights(sheet: ShowSheet, outputs: Float64Array): StageLight[] {
  const at = (ordinal: number, without: number): number => outputs[ordinal] ?? without;
  return fixturesOf(sheet).map(({ channel, place, turn, intensity, pan, tilt, zoom, emitters, colours }): StageLight => {
    const turns = pan >= 0;
    const to = turns
      ? landing(place, turnedBy(directionOf(at(pan, 0), at(tilt, 0)), turn), BACK)
      : (place.aim ?? { x: place.x, y: 0, z: place.z });
    const colour = mixOf(emitters, (index) => at(colours[index] ?? -1, 0));
    return { channel, turns, from: place, to, level: at(intensity, 0) / 100, colour, angle: at(zoom, PLAIN_ANGLE) };
  });
}

/** True when two moments show the same picture. */
export function sameLights(a: readonly StageLight[], b: readonly StageLight[]): boolean {
  return a.length === b.length && a.every((light, index) => sameLight(light, b[index]));
}

/** True when a light looks the same at two moments. */
export function sameLight(a: StageLight, b: StageLight | undefined): boolean {
  return (
    b !== undefined &&
    a.channel === b.channel &&
    a.level === b.level &&
    a.angle === b.angle &&
    a.words === b.words &&
    a.waits === b.waits &&
    sameGoal(a.goal, b.goal) &&
    samePoint(a.from, b.from) &&
    samePoint(a.to, b.to) &&
    a.colour.red === b.colour.red &&
    a.colour.green === b.colour.green &&
    a.colour.blue === b.colour.blue
  );
}

function sameGoal(a: Point | undefined, b: Point | undefined): boolean {
  return a === b || (a !== undefined && b !== undefined && samePoint(a, b));
}

function samePoint(a: Point, b: Point): boolean {
  return a.x === b.x && a.y === b.y && a.z === b.z;
}
