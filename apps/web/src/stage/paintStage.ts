import type { Light } from "@zm/core";
import { paintPlanSet, paintRoom, paintSet, shade } from "./paintSet.ts";
import { BACK, type StageLight } from "./scene.ts";
import type { StageView } from "./view.ts";

/** How the picture is drawn. */
export interface StageOptions {
  readonly width: number;
  readonly height: number;
  readonly view: StageView;
  /** How much of the beams hangs in the air, 0 to 1. */
  readonly haze: number;
  /** The line that is being drawn around lights. */
  readonly lasso: readonly { x: number; y: number }[];
  readonly labels: boolean;
  readonly rings: boolean;
  readonly chosen: ReadonlySet<number>;
  readonly font: string;
  readonly quiet: string;
  readonly glass: string;
}

export type Project = StageView["project"];

/** Paints the stage: set, light on the set, beams in the haze, and the lights themselves. */
export function paintStage(context: CanvasRenderingContext2D, lights: readonly StageLight[], options: StageOptions): void {
  const { width, height, view } = options;
  const { project } = view;
  const lit = lights.filter((light) => light.level > 0.002);
  context.globalCompositeOperation = "source-over";
  context.fillStyle = "black";
  context.fillRect(0, 0, width, height);
  const air = ambient(lit);
  paintRoom(context, view, air);
  context.globalCompositeOperation = "lighter";
  const exposure = exposureOf(lit);
  for (const light of lit) paintPool(context, view, light, exposure);
  context.globalCompositeOperation = "source-over";
  (view.name === "front" ? paintSet : paintPlanSet)(context, project, air);
  context.globalCompositeOperation = "lighter";
  if (options.haze > 0) for (const light of lit) paintBeam(context, project, light, options.haze);
  context.globalCompositeOperation = "source-over";
  for (const light of lights) paintHead(context, project, light, options);
  for (const light of lights)
    if (options.rings && light.turns && options.chosen.has(light.channel)) paintLanding(context, project, light, options);
  paintLasso(context, options);
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

function radius(light: StageLight): number {
  const far = Math.hypot(light.to.x - light.from.x, light.to.y - light.from.y, light.to.z - light.from.z);
  return Math.max(0.25, far * Math.tan((light.angle * Math.PI) / 360));
}

/** Where the beam lands: a soft pool, flat on the floor and round on the cloth. */
function paintPool(context: CanvasRenderingContext2D, { name, project }: StageView, light: StageLight, exposure: number): void {
  const centre = project(light.to);
  const across = radius(light) * centre.scale * 1.5;
  const onCloth = light.to.z > BACK - 0.3;
  const flat = name === "plan" ? (onCloth ? 0.16 : 1) : onCloth ? 0.95 : light.to.y > 0.3 ? 0.8 : 0.36;
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

/** The beam itself in the haze: strongest at the light and along its middle. */
function paintBeam(context: CanvasRenderingContext2D, project: Project, light: StageLight, haze: number): void {
  const from = project(light.from);
  const to = project(light.to);
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 2) return;
  const half = radius(light) * to.scale * 0.9;
  const aside = { x: -(to.y - from.y) / length, y: (to.x - from.x) / length };
  const strength = haze * light.level ** 1.1 * Math.min(0.3, 0.08 + 2 / (light.angle + 4));
  const air = context.createLinearGradient(from.x, from.y, to.x, to.y);
  air.addColorStop(0, shade(light.colour, 1, strength));
  air.addColorStop(0.5, shade(light.colour, 1, strength * 0.36));
  air.addColorStop(1, shade(light.colour, 1, strength * 0.05));
  context.fillStyle = air;
  for (const part of BEAM_PARTS) {
    context.beginPath();
    context.moveTo(from.x - aside.x * 1.5, from.y - aside.y * 1.5);
    context.lineTo(from.x + aside.x * 1.5, from.y + aside.y * 1.5);
    context.lineTo(to.x + aside.x * half * part, to.y + aside.y * half * part);
    context.lineTo(to.x - aside.x * half * part, to.y - aside.y * half * part);
    context.closePath();
    context.fill();
  }
}

/** A beam is laid on in layers, each narrower, so that its sides are soft. */
const BEAM_PARTS = [1, 0.72, 0.42] as const;

/** Where a chosen light lands: the ring that it is moved by. */
function paintLanding(context: CanvasRenderingContext2D, project: Project, light: StageLight, { glass }: StageOptions): void {
  const { x, y } = project(light.to);
  context.strokeStyle = glass;
  context.lineWidth = 1.5;
  context.beginPath();
  context.arc(x, y, 7, 0, Math.PI * 2);
  context.moveTo(x - 3, y);
  context.lineTo(x + 3, y);
  context.moveTo(x, y - 3);
  context.lineTo(x, y + 3);
  context.stroke();
}

function paintLasso(context: CanvasRenderingContext2D, { lasso, glass }: StageOptions): void {
  const [first, ...rest] = lasso;
  if (!first) return;
  context.beginPath();
  context.moveTo(first.x, first.y);
  for (const { x, y } of rest) context.lineTo(x, y);
  context.closePath();
  context.setLineDash([4, 3]);
  context.strokeStyle = glass;
  context.lineWidth = 1.5;
  context.stroke();
  context.setLineDash([]);
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
