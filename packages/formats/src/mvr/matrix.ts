import { turnedBy } from "@zm/core";

/** How something stands in space: three axes and a place, millimetres, as a drawing has it: x to the right, y away from the audience, z up. */
export interface Matrix {
  readonly axes: readonly [Vector, Vector, Vector];
  readonly place: Vector;
}

/** Three numbers along x, y and z. */
export type Vector = readonly [number, number, number];

/** Where nothing is moved or turned. */
export const STILL: Matrix = {
  axes: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
  place: [0, 0, 0],
};

/** A matrix as a drawing writes it, "{1,0,0}{0,1,0}{0,0,1}{x,y,z}"; undefined for what is none. */
export function readMatrix(text: string): Matrix | undefined {
  const rows = [...text.matchAll(/\{([^}]*)\}/g)].map(([, row = ""]) => row.split(",").map(Number));
  const [x, y, z, place] = rows.map(([a = Number.NaN, b = Number.NaN, c = Number.NaN]): Vector => [a, b, c]);
  if (rows.length !== 4 || !x || !y || !z || !place || ![x, y, z, place].flat().every(Number.isFinite)) return undefined;
  return { axes: [x, y, z], place };
}

/** The matrix that `readMatrix` reads. */
export function writeMatrix({ axes, place }: Matrix): string {
  return [...axes, place].map((row) => `{${row.map((each) => String(Math.round(each * 1e6) / 1e6)).join(",")}}`).join("");
}

/** What stands in something that stands somewhere itself, as it stands in the whole. */
export function within(outer: Matrix, inner: Matrix): Matrix {
  const turn = (vector: Vector): Vector => {
    const [a, b, c] = outer.axes;
    const at = (axis: 0 | 1 | 2): number => vector[0] * a[axis] + vector[1] * b[axis] + vector[2] * c[axis];
    return [at(0), at(1), at(2)];
  };
  const [x, y, z] = inner.axes;
  const [px, py, pz] = turn(inner.place);
  return { axes: [turn(x), turn(y), turn(z)], place: [px + outer.place[0], py + outer.place[1], pz + outer.place[2]] };
}

const DEGREES = Math.PI / 180;

/** A point of ours: metres, x to the right, y up, z away from the audience. */
interface Point {
  readonly x: number;
  readonly y: number;
  readonly z: number;
}

/** A place of the drawing as one of ours. */
export function ourPlace([x, y, z]: Vector): Point {
  return { x: millimetre(x), y: millimetre(z), z: millimetre(y) };
}

function millimetre(length: number): number {
  return Math.round(length) / 1000 || 0;
}

/** How something is turned, degrees around our axes, x first, then y, then z; undefined where it is not. Sizes of the axes do not count. */
export function ourTurn({ axes }: Matrix): Point | undefined {
  // Our axes are those of the drawing with the second and third changed over, of the thing as well as of the space.
  const [u, v, w] = axes.map(unit);
  if (!u || !v || !w) return undefined;
  const [r00, r10, r20, r21, r22, r01, r11] = [u[0], u[2], u[1], w[1], v[1], w[0], w[2]];
  const y = Math.asin(Math.min(1, Math.max(-1, -r20)));
  const isEdge = Math.abs(r20) > 1 - 1e-9;
  const x = isEdge ? 0 : Math.atan2(r21, r22);
  const z = isEdge ? Math.atan2(-r01, r11) : Math.atan2(r10, r00);
  const turn = { x: degrees(x), y: degrees(y), z: degrees(z) };
  return turn.x === 0 && turn.y === 0 && turn.z === 0 ? undefined : turn;
}

/** The axes of the drawing for a turn of ours. */
export function axesOf({ x, y, z }: Point): Matrix["axes"] {
  const turned = ([px, py, pz]: Vector): Vector => {
    const to = turnedBy({ x: px, y: py, z: pz }, { x, y, z });
    return [to.x, to.y, to.z];
  };
  const drawn = ([px, py, pz]: Vector): Vector => [px, pz, py];
  return [drawn(turned([1, 0, 0])), drawn(turned([0, 0, 1])), drawn(turned([0, 1, 0]))];
}

function degrees(angle: number): number {
  return Math.round((angle / DEGREES) * 100) / 100 || 0;
}

function unit([x, y, z]: Vector): Vector | undefined {
  const length = Math.hypot(x, y, z);
  return length > 1e-9 ? [x / length, y / length, z / length] : undefined;
}

/** Which way a thing looks that looks straight down where it is not turned: a vector of ours of length 1. */
export function ourLook({ axes: [, , w] }: Matrix): Point {
  const [x, y, z] = unit(w) ?? [0, 0, 1];
  return { x: -x, y: -z, z: -y };
}
