import type { Point } from "@zm/core";
import { BACK } from "./scene.ts";

export type ViewName = "front" | "plan";

/** How places on the stage stand in the picture, and which places stand where somebody points. Metres and pixels. */
export interface StageView {
  readonly name: ViewName;
  project(point: Point): { x: number; y: number; scale: number };
  /** The place on the floor or on the sea cloth that a spot of the picture shows. */
  unproject(x: number, y: number): Point;
}

/** Where a place on the stage stands in the picture, and how many pixels a metre has there. */
export type Project = StageView["project"];

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** So near to the edge of the picture a light still stands, pixels. */
const MARGIN = 16;
/** The picture is not made smaller than this for lights that hang far away. */
const SMALLEST = 0.3;

/** The view from the middle of the house, or the plan from above; smaller where lights would stand outside the picture otherwise. */
export function stageView(name: ViewName, width: number, height: number, lights: readonly Point[] = []): StageView {
  const middle = { x: width / 2, y: height * (name === "front" ? 0.55 : 0.5) };
  const scale = name === "front" ? Math.min(width / 12.8, height / 9.4) : Math.min(width / 16, height / 14.6);
  const viewAt = (zoom: number): StageView => (name === "front" ? frontView(middle, scale * zoom) : planView(middle, scale * zoom));
  const whole = viewAt(1);
  const room = (at: number, from: number, size: number): number => {
    const free = (at < from ? from : size - from) - MARGIN;
    return Math.abs(at - from) <= free ? 1 : free / Math.abs(at - from);
  };
  const zoom = Math.min(
    1,
    ...lights.map((light) => {
      const { x, y } = whole.project(light);
      return Math.min(room(x, middle.x, width), room(y, middle.y, height));
    }),
  );
  return zoom >= 1 ? whole : viewAt(Math.max(SMALLEST, zoom));
}

/** What is further away is smaller and higher. */
function frontView(middle: Spot, scaleAtFront: number): StageView {
  const eye = { y: 3.1, z: -13.5 };
  const lens = scaleAtFront * 13.2;
  return {
    name: "front",
    project: ({ x, y, z }) => {
      const scale = lens / (z - eye.z);
      return { x: middle.x + x * scale, y: middle.y - (y - eye.y) * scale, scale };
    },
    unproject: (x, y) => {
      const onFloor = (y - middle.y) / eye.y;
      const z = onFloor > 0 ? lens / onFloor + eye.z : Infinity;
      if (z <= BACK) return { x: (x - middle.x) / onFloor, y: 0, z };
      const onCloth = lens / (BACK - eye.z);
      return { x: (x - middle.x) / onCloth, y: Math.max(0, eye.y - (y - middle.y) / onCloth), z: BACK };
    },
  };
}

function planView(middle: Spot, scale: number): StageView {
  const depth = 2.5;
  return {
    name: "plan",
    project: ({ x, z }) => ({ x: middle.x + x * scale, y: middle.y - (z - depth) * scale, scale }),
    unproject: (x, y) => ({ x: (x - middle.x) / scale, y: 0, z: Math.min(BACK, depth - (y - middle.y) / scale) }),
  };
}

/** True when a spot lies inside a line drawn around it. */
export function isInside(path: readonly { x: number; y: number }[], spot: { x: number; y: number }): boolean {
  let inside = false;
  path.forEach((a, index) => {
    const b = path[(index + 1) % path.length] ?? a;
    if (a.y > spot.y !== b.y > spot.y && spot.x < ((b.x - a.x) * (spot.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  });
  return inside;
}
