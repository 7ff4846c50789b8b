import type { Light } from "@zm/core";
import { type LightField, addBeam, addPool, developField, lightField } from "./lightField.ts";
import { paintPlanSet, paintRoom, paintSet, shade } from "./paintSet.ts";
import { BACK, type StageLight } from "./scene.ts";
import type { StageView } from "./view.ts";

/** How the picture is drawn. */
export interface StageOptions {
  readonly width: number;
  readonly height: number;
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
  readonly quiet: string;
  readonly glass: string;
}

export type Project = StageView["project"];

/** How many points of the light's grid stand on a pixel of the picture, in each direction. */
const GRID = 0.22;

/** Light alone, pools or beams, worked out on a grid and kept from frame to frame. */
interface LightLayer {
  readonly field: LightField;
  readonly image: ImageData;
  readonly context: CanvasRenderingContext2D;
}

function lightLayer(width: number, height: number): LightLayer | null {
  const canvas = document.createElement("canvas");
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext("2d", { alpha: false });
  return context && { field: lightField(width, height), image: context.createImageData(width, height), context };
}

/** The two layers of light of one picture. */
export interface LightLayers {
  pools: LightLayer | null;
  beams: LightLayer | null;
}

/** Adds light up on its layer, and lays the layer over the picture. */
function throughLayer(
  context: CanvasRenderingContext2D,
  layers: LightLayers,
  name: keyof LightLayers,
  { width, height }: StageOptions,
  shine: (field: LightField) => void,
): void {
  const [across, down] = [Math.ceil(width * GRID), Math.ceil(height * GRID)];
  const known = layers[name];
  const layer = known?.field.width === across && known.field.height === down ? known : lightLayer(across, down);
  layers[name] = layer;
  if (!layer) return;
  shine(layer.field);
  developField(layer.field, layer.image.data);
  layer.context.putImageData(layer.image, 0, 0);
  context.globalCompositeOperation = "lighter";
  context.drawImage(layer.context.canvas, 0, 0, width, height);
  context.globalCompositeOperation = "source-over";
}

/** Paints the stage: set, light on the set, beams in the haze, and the lights themselves. */
export function paintStage(
  context: CanvasRenderingContext2D,
  layers: LightLayers,
  lights: readonly StageLight[],
  options: StageOptions,
): void {
  const { width, height, view } = options;
  const { project } = view;
  const lit = lights.filter((light) => light.level > 0.002);
  context.globalCompositeOperation = "source-over";
  context.fillStyle = "black";
  context.fillRect(0, 0, width, height);
  const air = ambient(lit);
  paintRoom(context, view, air);
  const exposure = exposureOf(lit);
  throughLayer(context, layers, "pools", options, (field) => {
    for (const light of lit) shinePool(field, view, light, exposure);
  });
  if (options.furnished) (view.name === "front" ? paintSet : paintPlanSet)(context, project, air);
  if (options.haze > 0)
    throughLayer(context, layers, "beams", options, (field) => {
      for (const light of lit) shineBeam(field, project, light, options.haze);
    });
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
  edgedText(context, String(light.channel), x, y - 5);
  context.textBaseline = "top";
  if (level) edgedText(context, level.trim(), x, y + 5);
}

/** Text with a dark edge, so that it reads over bright light too. */
function edgedText(context: CanvasRenderingContext2D, text: string, x: number, y: number): void {
  context.strokeStyle = "rgb(0 0 0 / 0.75)";
  context.lineWidth = 2.5;
  context.lineJoin = "round";
  context.strokeText(text, x, y);
  context.fillText(text, x, y);
}
