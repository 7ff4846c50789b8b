import type { Light, Point } from "@zm/core";
import { BACK } from "./scene.ts";
import type { Project, StageView } from "./view.ts";

/** A colour for the canvas: light times a factor, with an opacity. */
export function shade(light: Light, factor: number, alpha = 1): string {
  const part = (amount: number): number => Math.round(255 * Math.min(1, amount * factor));
  return `rgb(${part(light.red)} ${part(light.green)} ${part(light.blue)} / ${alpha})`;
}

function face(context: CanvasRenderingContext2D, project: Project, points: readonly Point[], fill: string): void {
  context.beginPath();
  points.forEach((point, index) => {
    const { x, y } = project(point);
    if (index === 0) context.moveTo(x, y);
    else context.lineTo(x, y);
  });
  context.closePath();
  context.fillStyle = fill;
  context.fill();
}

/** The floor and the sea cloth behind it; from above the cloth is a line. */
export function paintRoom(context: CanvasRenderingContext2D, { name, project }: StageView, air: Light): void {
  const floor = (near: number, far: number): Point[] => [
    { x: -7, y: 0, z: near },
    { x: 7, y: 0, z: near },
    { x: 7, y: 0, z: far },
    { x: -7, y: 0, z: far },
  ];
  if (name === "plan") {
    face(context, project, floor(-0.8, BACK), shade(air, 0.7));
    face(context, project, floor(BACK, BACK + 0.12), shade(air, 2));
    return;
  }
  const upright = (z: number, low: number, high: number): Point[] => [
    { x: -7, y: low, z },
    { x: 7, y: low, z },
    { x: 7, y: high, z },
    { x: -7, y: high, z },
  ];
  face(context, project, upright(BACK, 0, 7), shade(air, 0.8));
  face(context, project, floor(-0.8, BACK), shade(air, 0.55));
  face(context, project, upright(-0.8, -0.7, 0), shade(air, 0.25));
}

/** The keeper's room: a wall with a door and a window, a table, the stairs, and the great lantern. */
export function paintSet(context: CanvasRenderingContext2D, project: Project, air: Light): void {
  const dark = shade(air, 0.9, 0.92);
  const pale = shade(air, 1.5, 0.9);
  const box = (x: number, y: number, z: number, w: number, h: number, fill: string): void =>
    face(
      context,
      project,
      [
        { x, y, z },
        { x: x + w, y, z },
        { x: x + w, y: y + h, z },
        { x, y: y + h, z },
      ],
      fill,
    );
  box(-6.2, 0, 6.2, 0.2, 3.6, dark);
  box(-6.2, 3.4, 6.2, 4.2, 0.2, dark);
  box(-2.2, 0, 6.2, 0.2, 3.6, dark);
  box(-5.4, 1.2, 6.2, 0.12, 1.5, pale);
  box(-4, 1.2, 6.2, 0.12, 1.5, pale);
  box(-5.4, 2.6, 6.2, 1.52, 0.1, pale);
  box(-5.4, 1.2, 6.2, 1.52, 0.1, pale);
  for (let step = 0; step < 7; step += 1) box(3.4 + step * 0.32, 0, 5 + step * 0.15, 0.32, 0.26 * (step + 1), step % 2 ? dark : pale);
  box(1.7, 0, 6.4, 1.6, 0.8, dark);
  box(1.9, 0.8, 6.4, 0.1, 1.9, pale);
  box(3, 0.8, 6.4, 0.1, 1.9, pale);
  face(
    context,
    project,
    [
      { x: 1.7, y: 2.7, z: 6.4 },
      { x: 3.3, y: 2.7, z: 6.4 },
      { x: 2.5, y: 3.4, z: 6.4 },
    ],
    dark,
  );
  box(-2.2, 0.72, 3.3, 1.7, 0.08, pale);
  box(-2.1, 0, 3.3, 0.09, 0.72, dark);
  box(-0.7, 0, 3.3, 0.09, 0.72, dark);
  box(-2.75, 0, 3.1, 0.08, 0.95, dark);
  box(-2.75, 0.42, 3.1, 0.42, 0.06, pale);
}

/** The same pieces from above. */
export function paintPlanSet(context: CanvasRenderingContext2D, project: Project, air: Light): void {
  const dark = shade(air, 1.1, 0.95);
  const pale = shade(air, 1.8, 0.95);
  const slab = (x: number, z: number, w: number, d: number, fill: string): void =>
    face(
      context,
      project,
      [
        { x, y: 0, z },
        { x: x + w, y: 0, z },
        { x: x + w, y: 0, z: z + d },
        { x, y: 0, z: z + d },
      ],
      fill,
    );
  slab(-6.2, 6.2, 0.8, 0.14, dark);
  slab(-5.4, 6.2, 1.52, 0.1, pale);
  slab(-3.88, 6.2, 1.88, 0.14, dark);
  for (let step = 0; step < 7; step += 1) slab(3.4 + step * 0.32, 5 + step * 0.15, 0.32, 1, step % 2 ? dark : pale);
  slab(1.7, 6.4, 1.6, 1.6, dark);
  slab(1.9, 6.6, 1.2, 1.2, pale);
  slab(-2.2, 3, 1.7, 0.8, pale);
  slab(-2.75, 3.1, 0.42, 0.42, pale);
}
