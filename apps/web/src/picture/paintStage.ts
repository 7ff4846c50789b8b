import type { Light } from "@zm/core";
import { type LightField, addBeam, addPool, developField, lightField } from "./lightField.ts";
import { paintPlanSet, paintRoom, paintSet, shade } from "./paintSet.ts";
import { BACK, type StageLight } from "./scene.ts";
import { layOutLabels } from "./labels.ts";
import type { Sprites } from "./sprites.ts";
import type { Project, StageView } from "./view.ts";

/** How the picture is drawn. */
export interface StageOptions {
  readonly width: number;
  readonly height: number;
  /** How many pixels stand for a unit of the picture. */
  readonly scale: number;
  readonly view: StageView;
  /** The set pieces of the demo production stand on the stage. */
  readonly furnished: boolean;
  /** How much of the beams hangs in the air, 0 to 1. */
  readonly haze: number;
  /** The line that is being drawn around lights. */
  readonly lasso: readonly { x: number; y: number }[];
  readonly labels: boolean;
  readonly rings: boolean;
  readonly chosen: ReadonlySet<number>;
  readonly font: string;
  readonly sprites: Sprites;
  readonly quiet: string;
  readonly glass: string;
}

/** How many points of the light's grid stand on a pixel of the picture, in each direction. */
const GRID = 0.22;

export type StagePainter = (lights: readonly StageLight[], options: StageOptions) => void;

/**
 * Paints the stage on two canvases, one over the other: the room with its light, and the marks of the lights on top, which are
 * painted anew only when they show something else.
 */
export function stagePainter(picture: CanvasRenderingContext2D, marks: CanvasRenderingContext2D): StagePainter {
  const pools = lightLayer();
  const beams = lightLayer();
  const scratch = document.createElement("canvas").getContext("2d", { alpha: false });
  let marked: readonly unknown[] = [];
  return (lights, options) => {
    const { view, furnished, haze, labels, rings, chosen, lasso, sprites } = options;
    const lit = lights.filter(isLit);
    const air = ambient(lit);
    const exposure = exposureOf(lit);
    prepare(picture, options);
    const onThings = pools(options, (field) => {
      for (const light of lit) shinePool(field, view, light, exposure);
    });
    if (onThings) picture.drawImage(onThings, 0, 0, options.width, options.height);
    picture.globalCompositeOperation = "lighter";
    paintRoom(picture, view, air);
    picture.globalCompositeOperation = "source-over";
    if (furnished) (view.name === "front" ? paintSet : paintPlanSet)(picture, view.project, air);
    if (haze > 0) {
      const inHaze = beams(options, (field) => {
        for (const light of lit) shineBeam(field, view.project, light, haze);
      });
      if (inHaze && scratch) layOver(picture, scratch, inHaze, options);
    }

    const shows = [options.width, options.height, options.scale, view.name, labels, rings, chosen, lasso, sprites, ...lights.map(markOf)];
    if (shows.length === marked.length && shows.every((fact, index) => fact === marked[index])) return;
    marked = shows;
    prepare(marks, options);
    marks.clearRect(0, 0, options.width, options.height);
    for (const light of lights) paintHead(marks, view.project, light, options);
    for (const light of lights) if (rings && chosen.has(light.channel)) paintLanding(marks, view.project, light, options);
    for (const light of lights) if (light.waits !== undefined) paintWaiting(marks, view.project, light, options);
    for (const light of lights) if (light.goal) paintWay(marks, view.project, light, options);
    // Over the rings, so that a ring that passes leaves every number readable.
    if (labels) paintLabels(marks, lights, options);
    paintLasso(marks, options);
  };
}

type Size = Pick<StageOptions, "width" | "height" | "scale">;

/** Brings a canvas to the size of the picture. */
function prepare(context: CanvasRenderingContext2D, { width, height, scale }: Size): void {
  resize(context.canvas, Math.round(width * scale), Math.round(height * scale));
  context.setTransform(scale, 0, 0, scale, 0, 0);
}

/** Adds light to the picture. Drawing it up to size first, by itself, takes half the time of adding it while it is drawn up. */
function layOver(picture: CanvasRenderingContext2D, scratch: CanvasRenderingContext2D, light: HTMLCanvasElement, size: Size): void {
  prepare(scratch, size);
  scratch.drawImage(light, 0, 0, size.width, size.height);
  picture.globalCompositeOperation = "lighter";
  picture.drawImage(scratch.canvas, 0, 0, size.width, size.height);
  picture.globalCompositeOperation = "source-over";
}

/** Light alone, computed on a coarse grid that is kept from frame to frame; returns the grid as a small picture. */
function lightLayer() {
  const context = document.createElement("canvas").getContext("2d", { alpha: false });
  let field: LightField | null = null;
  let image: ImageData | null = null;
  return ({ width, height }: Size, shine: (field: LightField) => void): HTMLCanvasElement | undefined => {
    if (!context) return undefined;
    const [across, down] = [Math.ceil(width * GRID), Math.ceil(height * GRID)];
    if (field?.width !== across || field.height !== down || !image) {
      resize(context.canvas, across, down);
      field = lightField(across, down);
      image = context.createImageData(across, down);
    }
    shine(field);
    developField(field, image.data);
    context.putImageData(image, 0, 0);
    return context.canvas;
  };
}

function resize(canvas: HTMLCanvasElement, width: number, height: number): void {
  if (canvas.width === width && canvas.height === height) return;
  canvas.width = width;
  canvas.height = height;
}

function isLit({ level }: StageLight): boolean {
  return level > 0.002;
}

/** The level that stands under a light; nothing while it is dark. */
function levelWords(light: StageLight): string {
  if (light.words !== undefined) return light.words;
  if (light.waits !== undefined && !isLit(light)) return `for ${light.waits}`;
  return isLit(light) ? String(Math.round(light.level * 100)) : "";
}

/** What the marks show of a light, told apart as finely as the eye does. */
function markOf(light: StageLight): string {
  const { from, to, goal, colour, angle, waits } = light;
  const way = goal ? ` ${goal.x} ${goal.y} ${goal.z}` : "";
  return `${from.x} ${from.y} ${from.z} ${to.x} ${to.y} ${to.z} ${levelWords(light)} ${shade(colour, 1)}${way}${waits === undefined ? "" : ` ${waits} ${angle}`}`;
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
function shinePool(field: LightField, { name, project }: StageView, light: StageLight, exposure: number): void {
  const centre = project(light.to);
  const across = radius(light) * centre.scale * 1.5;
  const onCloth = light.to.z > BACK - 0.3;
  const flat = name === "plan" ? (onCloth ? 0.16 : 1) : onCloth ? 0.95 : light.to.y > 0.3 ? 0.8 : 0.36;
  const strength = exposure * light.level ** 1.25 * Math.min(0.85, 0.34 + 1.1 / (1 + radius(light)));
  addPool(field, { x: centre.x * GRID, y: centre.y * GRID }, across * GRID, flat, light.colour, strength * 0.75);
}

/** The beam itself in the haze. */
function shineBeam(field: LightField, project: Project, light: StageLight, haze: number): void {
  const from = project(light.from);
  const to = project(light.to);
  const half = radius(light) * to.scale * 0.85;
  const strength = haze * light.level ** 1.1 * Math.min(0.42, 0.1 + 2.6 / (light.angle + 4));
  addBeam(
    field,
    { x: from.x * GRID, y: from.y * GRID },
    { x: to.x * GRID, y: to.y * GRID },
    { from: 0.9, to: Math.max(0.9, half * GRID) },
    light.colour,
    strength,
  );
}

/** The way of a light that is not yet where it should be: from where it lands to a cross where it is going. */
function paintWay(context: CanvasRenderingContext2D, project: Project, { to, goal }: StageLight, { glass }: StageOptions): void {
  if (!goal) return;
  const [from, end] = [project(to), project(goal)];
  context.strokeStyle = glass;
  context.lineWidth = 1;
  context.setLineDash([3, 3]);
  context.beginPath();
  context.moveTo(from.x, from.y);
  context.lineTo(end.x, end.y);
  context.stroke();
  context.setLineDash([]);
  context.beginPath();
  context.moveTo(end.x - 4, end.y - 4);
  context.lineTo(end.x + 4, end.y + 4);
  context.moveTo(end.x - 4, end.y + 4);
  context.lineTo(end.x + 4, end.y - 4);
  context.stroke();
}

/** A dark light that moves or waits for a cue: a faint outline of its beam, dashed, with the ring in which it will land. */
function paintWaiting(context: CanvasRenderingContext2D, project: Project, light: StageLight, { quiet }: StageOptions): void {
  const [from, to] = [project(light.from), project(light.to)];
  const across = Math.max(5, radius(light) * to.scale * 0.8);
  context.save();
  context.strokeStyle = quiet;
  context.globalAlpha = 0.55;
  context.lineWidth = 1;
  context.setLineDash([2, 4]);
  context.beginPath();
  context.moveTo(from.x, from.y);
  context.lineTo(to.x - across, to.y);
  context.moveTo(from.x, from.y);
  context.lineTo(to.x + across, to.y);
  context.stroke();
  context.beginPath();
  context.ellipse(to.x, to.y, across, light.to.z > BACK - 0.3 ? across : across * 0.4, 0, 0, Math.PI * 2);
  context.stroke();
  context.restore();
}

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
  context.fillStyle = isLit(light) ? shade(light.colour, 1, 0.35 + 0.65 * light.level) : shade({ red: 0.22, green: 0.25, blue: 0.24 }, 1);
  context.fill();
  if (chosen) {
    context.strokeStyle = options.glass;
    context.lineWidth = 1.5;
    context.stroke();
  }
}

/** The numbers of the lights and the levels of those that are lit, each where it can be read. */
function paintLabels(
  context: CanvasRenderingContext2D,
  lights: readonly StageLight[],
  { view, chosen, font, glass, quiet, sprites }: StageOptions,
): void {
  const at = lights.map((light) => view.project(light.from));
  const of = (index: number): { x: number; y: number } => at[index] ?? { x: 0, y: 0 };
  const numbers = lights.flatMap((light, index) =>
    light.words === "" ? [] : [{ light, label: { ...of(index), text: String(light.channel), side: "over" as const } }],
  );
  const levels = lights.flatMap((light, index) =>
    levelWords(light) === "" ? [] : [{ light, label: { ...of(index), text: levelWords(light), side: "under" as const } }],
  );
  const all = [...numbers, ...levels];
  layOutLabels(all.map(({ label }) => label)).forEach(({ text, middle, top }, index) => {
    const channel = all[index]?.light.channel ?? 0;
    sprites.put(context, text, middle, { top: top - 4 }, { font, colour: chosen.has(channel) ? glass : quiet });
  });
}
