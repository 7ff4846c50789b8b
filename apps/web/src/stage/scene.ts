import { type Light, type Point, type Show, directionOf, landing, lightColour } from "@zm/core";

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

/** The lights of a show that have a place, as the outputs have them. */
export function stageLights(show: Show, outputs: Outputs): StageLight[] {
  const types = new Map(show.fixtureTypes.map((type) => [type.id, type.attributes]));
  return show.channels.flatMap(({ number, type, place }): StageLight[] => {
    const attributes = types.get(type);
    if (!place || !attributes) return [];
    const output = new Map(attributes.map((attribute) => [attribute.id, outputs(number, attribute.id, attribute.home)]));
    const pan = output.get("pan");
    const to =
      pan === undefined ? (place.aim ?? { x: place.x, y: 0, z: place.z }) : landing(place, directionOf(pan, output.get("tilt") ?? 0), BACK);
    const colour = lightColour(attributes, (name) => output.get(name) ?? 0);
    return [
      {
        channel: number,
        turns: pan !== undefined,
        from: place,
        to,
        level: (output.get("intensity") ?? 0) / 100,
        colour,
        angle: output.get("zoom") ?? 24,
      },
    ];
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
