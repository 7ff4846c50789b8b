import type { Light, Point } from "@zm/core";
import { BACK, type StageLight } from "./scene.ts";

/** How the picture is drawn. */
export interface StageOptions {
  readonly width: number;
  readonly height: number;
  readonly labels: boolean;
  readonly chosen: ReadonlySet<number>;
  readonly font: string;
  readonly quiet: string;
  readonly glass: string;
}

type Project = (point: Point) => { x: number; y: number; scale: number };

/** A view from the middle of the house: what is further away is smaller and higher. */
function projector(width: number, height: number): Project {
  const eye = { y: 3.1, z: -13.5 };
  const lens = Math.min(width / 12.8, height / 9.4) * 13.2;
  return ({ x, y, z }) => {
    const scale = lens / (z - eye.z);
    return { x: width / 2 + x * scale, y: height * 0.55 - (y - eye.y) * scale, scale };
  };
}

/** Paints the stage: set, light on the set, beams in the haze, and the lights themselves. */
export function paintStage(context: CanvasRenderingContext2D, lights: readonly StageLight[], options: StageOptions): void {
  const { width, height } = options;
  const project = projector(width, height);
  const lit = lights.filter((light) => light.level > 0.002);
  context.globalCompositeOperation = "source-over";
  context.fillStyle = "black";
  context.fillRect(0, 0, width, height);
  paintRoom(context, project, ambient(lit));
  context.globalCompositeOperation = "lighter";
  const exposure = exposureOf(lit);
  for (const light of lit) paintPool(context, project, light, exposure);
  context.globalCompositeOperation = "source-over";
  paintSet(context, project, ambient(lit));
  context.globalCompositeOperation = "lighter";
  for (const light of lit) paintBeam(context, project, light);
  context.globalCompositeOperation = "source-over";
  for (const light of lights) paintHead(context, project, light, options);
}

/** The light that hangs in the whole room: what makes unlit things just visible. */
function ambient(lit: readonly StageLight[]): Light {
  const sum = lit.reduce(
    (all, { level, colour }) => ({
      red: all.red + level * colour.red,
      green: all.green + level * colour.green,
      blue: all.blue + level * colour.blue,
    }),
    { red: 0, green: 0, blue: 0 },
  );
  const part = (amount: number): number => 0.035 + Math.min(0.3, amount * 0.012);
  return { red: part(sum.red), green: part(sum.green), blue: part(sum.blue) };
}

/** As an eye does, the picture takes in less of each light the more of them there are, so that nothing burns out. */
function exposureOf(lit: readonly StageLight[]): number {
  const sum = lit.reduce((all, light) => all + light.level, 0);
  return 0.85 / (1 + sum * 0.028);
}

function shade(light: Light, factor: number, alpha = 1): string {
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

function paintRoom(context: CanvasRenderingContext2D, project: Project, air: Light): void {
  face(
    context,
    project,
    [
      { x: -7, y: 0, z: BACK },
      { x: 7, y: 0, z: BACK },
      { x: 7, y: 7, z: BACK },
      { x: -7, y: 7, z: BACK },
    ],
    shade(air, 0.8),
  );
  face(
    context,
    project,
    [
      { x: -7, y: 0, z: -0.8 },
      { x: 7, y: 0, z: -0.8 },
      { x: 7, y: 0, z: BACK },
      { x: -7, y: 0, z: BACK },
    ],
    shade(air, 0.55),
  );
  face(
    context,
    project,
    [
      { x: -7, y: 0, z: -0.8 },
      { x: 7, y: 0, z: -0.8 },
      { x: 7, y: -0.7, z: -0.8 },
      { x: -7, y: -0.7, z: -0.8 },
    ],
    shade(air, 0.25),
  );
}

/** The keeper's room: a wall with a door and a window, a table, the stairs, and the great lantern. */
function paintSet(context: CanvasRenderingContext2D, project: Project, air: Light): void {
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

function radius(light: StageLight): number {
  const far = Math.hypot(light.to.x - light.from.x, light.to.y - light.from.y, light.to.z - light.from.z);
  return Math.max(0.25, far * Math.tan((light.angle * Math.PI) / 360));
}

/** Where the beam lands: a soft pool, flat on the floor and round on the cloth. */
function paintPool(context: CanvasRenderingContext2D, project: Project, light: StageLight, exposure: number): void {
  const centre = project(light.to);
  const across = radius(light) * centre.scale * 1.5;
  const flat = light.to.z > BACK - 0.3 ? 0.95 : light.to.y > 0.3 ? 0.8 : 0.36;
  const strength = exposure * light.level ** 1.25 * Math.min(0.85, 0.34 + 1.1 / (1 + radius(light)));
  context.save();
  context.translate(centre.x, centre.y);
  context.scale(1, flat);
  const glow = context.createRadialGradient(0, 0, 0, 0, 0, across);
  glow.addColorStop(0, shade(light.colour, 1, strength * 0.62));
  glow.addColorStop(0.45, shade(light.colour, 1, strength * 0.32));
  glow.addColorStop(1, shade(light.colour, 1, 0));
  context.fillStyle = glow;
  context.beginPath();
  context.arc(0, 0, across, 0, Math.PI * 2);
  context.fill();
  context.restore();
}

/** The beam itself in the haze, strongest at the light. */
function paintBeam(context: CanvasRenderingContext2D, project: Project, light: StageLight): void {
  const from = project(light.from);
  const to = project(light.to);
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 2) return;
  const half = radius(light) * to.scale * 0.8;
  const aside = { x: -(to.y - from.y) / length, y: (to.x - from.x) / length };
  const strength = light.level ** 1.1 * Math.min(0.34, 0.1 + 2.2 / (light.angle + 4));
  const haze = context.createLinearGradient(from.x, from.y, to.x, to.y);
  haze.addColorStop(0, shade(light.colour, 1, strength));
  haze.addColorStop(0.55, shade(light.colour, 1, strength * 0.35));
  haze.addColorStop(1, shade(light.colour, 1, strength * 0.06));
  context.beginPath();
  context.moveTo(from.x - aside.x * 2, from.y - aside.y * 2);
  context.lineTo(from.x + aside.x * 2, from.y + aside.y * 2);
  context.lineTo(to.x + aside.x * half, to.y + aside.y * half);
  context.lineTo(to.x - aside.x * half, to.y - aside.y * half);
  context.closePath();
  context.fillStyle = haze;
  context.fill();
}

function paintHead(context: CanvasRenderingContext2D, project: Project, light: StageLight, options: StageOptions): void {
  const { x, y } = project(light.from);
  const chosen = options.chosen.has(light.channel);
  context.beginPath();
  context.arc(x, y, chosen ? 4.5 : 3, 0, Math.PI * 2);
  context.fillStyle =
    light.level > 0.002 ? shade(light.colour, 1, 0.35 + 0.65 * light.level) : shade({ red: 0.22, green: 0.25, blue: 0.24 }, 1);
  context.fill();
  if (chosen) {
    context.strokeStyle = options.glass;
    context.lineWidth = 1.5;
    context.stroke();
  }
  if (!options.labels) return;
  context.font = options.font;
  context.textAlign = "center";
  context.textBaseline = "bottom";
  context.fillStyle = chosen ? options.glass : options.quiet;
  const level = light.level > 0.002 ? ` ${Math.round(light.level * 100)}` : "";
  context.fillText(String(light.channel), x, y - 5);
  context.textBaseline = "top";
  if (level) context.fillText(level.trim(), x, y + 5);
}
