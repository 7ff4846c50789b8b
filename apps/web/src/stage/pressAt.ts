import type { Point } from "@zm/core";
import type { Painted } from "../picture/StagePicture.tsx";

/** A press reaches so far, pixels. */
const NEAR = 13;

/** A place in the picture, pixels. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** What a press has taken hold of. */
export type Press =
  | { readonly kind: "head"; readonly channel: number }
  | { readonly kind: "landing"; readonly start: Point; readonly movers: ReadonlyMap<number, Point> }
  | { readonly kind: "aim"; readonly channel: number }
  | { readonly kind: "lasso" };

/** What a press takes hold of: where a light lands that may be moved, a light, or nothing: then it begins a line around some. */
export function pressAt(painted: Painted | null, spot: Spot, movable: readonly number[]): Press {
  const lights = painted?.lights ?? [];
  const movers = lights.filter(({ channel, turns }) => turns && movable.includes(channel));
  const grabbed = nearest(painted, movers, spot, "to");
  if (grabbed) return { kind: "landing", start: grabbed.to, movers: new Map(movers.map(({ channel, to }) => [channel, to])) };
  // A light that cannot turn is pointed by hand: its ring says where somebody has focused it.
  const fixed = nearest(
    painted,
    lights.filter(({ channel, turns }) => !turns && movable.includes(channel)),
    spot,
    "to",
  );
  if (fixed) return { kind: "aim", channel: fixed.channel };
  const head = nearest(painted, lights, spot, "from");
  return head === undefined ? { kind: "lasso" } : { kind: "head", channel: head.channel };
}

/** The light whose head, or whose landing, lies nearest to a spot and near enough to be meant. */
function nearest(
  painted: Painted | null,
  lights: Painted["lights"],
  spot: Spot,
  pointOf: "from" | "to",
): Painted["lights"][number] | undefined {
  const found = lights
    .map((light) => {
      const at = painted?.view.project(light[pointOf]) ?? { x: Infinity, y: Infinity };
      return { light, far: Math.hypot(at.x - spot.x, at.y - spot.y) };
    })
    .sort((a, b) => a.far - b.far)[0];
  return found && found.far <= NEAR ? found.light : undefined;
}
