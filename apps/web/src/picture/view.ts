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

/** The view from the middle of the house, or the plan from above. */
export function stageView(name: ViewName, width: number, height: number): StageView {
  return name === "front" ? frontView(width, height) : planView(width, height);
}

/** What is further away is smaller and higher. */
function frontView(width: number, height: number): StageView {
  const eye = { y: 3.1, z: -13.5 };
  const lens = Math.min(width / 12.8, height / 9.4) * 13.2;
  const middle = { x: width / 2, y: height * 0.55 };
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

function planView(width: number, height: number): StageView {
  const scale = Math.min(width / 16, height / 14.6);
  const middle = { x: width / 2, y: height / 2, z: 2.5 };
  return {
    name: "plan",
    project: ({ x, z }) => ({ x: middle.x + x * scale, y: middle.y - (z - middle.z) * scale, scale }),
    unproject: (x, y) => ({ x: (x - middle.x) / scale, y: 0, z: Math.min(BACK, middle.z - (y - middle.y) / scale) }),
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
