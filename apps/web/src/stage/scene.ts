import { type Attribute, type Channel, type Light, type Point, type Show, directionOf, landing, lightColour } from "@zm/core";

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
}

/** Gives the output of an attribute of a channel, its home where nothing is set. */
export type Outputs = (channel: number, attribute: string, home: number) => number;

type Place = NonNullable<Channel["place"]>;
const hung = new WeakMap<Show["channels"], ReadonlyMap<number, Place>>();
const ROW_OF = 16;

/** Where each light hangs. Those that the rig gives no place hang in rows over the stage until it does, so that they can be seen and chosen. */
export function hungPlaces(show: Show): ReadonlyMap<number, Place> {
  const known = hung.get(show.channels);
  if (known) return known;
  const loose = show.channels.filter(({ place }) => !place);
  const inRow = Math.min(ROW_OF, loose.length);
  const places = new Map<number, Place>();
  for (const { number, place } of show.channels) if (place) places.set(number, place);
  loose.forEach(({ number }, index) => {
    const across = inRow < 2 ? 0 : -6 + (12 * (index % ROW_OF)) / (inRow - 1);
    places.set(number, { x: across, y: 6.6, z: 0.6 + 0.7 * (Math.floor(index / ROW_OF) % 12) });
  });
  hung.set(show.channels, places);
  return places;
}

/** What of a light stays from frame to frame. */
interface Fixture {
  readonly channel: number;
  readonly place: Place;
  readonly attributes: readonly Attribute[];
}
const fixtures = new WeakMap<Show, readonly Fixture[]>();

function fixturesOf(show: Show): readonly Fixture[] {
  const known = fixtures.get(show);
  if (known) return known;
  const places = hungPlaces(show);
  const types = new Map(show.fixtureTypes.map((type) => [type.id, type.attributes]));
  const found = show.channels.flatMap(({ number, type }): Fixture[] => {
    const place = places.get(number);
    const attributes = types.get(type);
    return place && attributes ? [{ channel: number, place, attributes }] : [];
  });
  fixtures.set(show, found);
  return found;
}

/** The lights of a show, as the outputs have them. */
export function stageLights(show: Show, outputs: Outputs): StageLight[] {
  return fixturesOf(show).map(({ channel, place, attributes }): StageLight => {
    const output = new Map(attributes.map((attribute) => [attribute.id, outputs(channel, attribute.id, attribute.home)]));
    const pan = output.get("pan");
    const to =
      pan === undefined ? (place.aim ?? { x: place.x, y: 0, z: place.z }) : landing(place, directionOf(pan, output.get("tilt") ?? 0), BACK);
    const colour = lightColour(attributes, (name) => output.get(name) ?? 0);
    const level = (output.get("intensity") ?? 0) / 100;
    return { channel, turns: pan !== undefined, from: place, to, level, colour, angle: output.get("zoom") ?? 24 };
  });
}

/** True when two moments show the same picture. */
export function sameLights(a: readonly StageLight[], b: readonly StageLight[]): boolean {
  return a.length === b.length && a.every((light, index) => sameLight(light, b[index]));
}

function sameLight(a: StageLight, b: StageLight | undefined): boolean {
  return (
    b !== undefined &&
    a.channel === b.channel &&
    a.level === b.level &&
    a.angle === b.angle &&
    samePoint(a.from, b.from) &&
    samePoint(a.to, b.to) &&
    a.colour.red === b.colour.red &&
    a.colour.green === b.colour.green &&
    a.colour.blue === b.colour.blue
  );
}

function samePoint(a: Point, b: Point): boolean {
  return a.x === b.x && a.y === b.y && a.z === b.z;
}
