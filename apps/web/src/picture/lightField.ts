import type { Light } from "@zm/core";

/**
 * Light added up on a coarse grid: red, green and blue for each point, without an upper end, so that many beams over one
 * another stay light and do not turn into a flat patch. Soft as light is, the grid is drawn up to the size of the picture.
 */
export interface LightField {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

/** A place on the grid. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

export function lightField(width: number, height: number): LightField {
  return { width, height, values: new Float32Array(width * height * 3) };
}

/** Adds a pool: an ellipse that is strongest in its middle and ends softly. `flat` is its height against its width. */
export function addPool(
  { width, height, values }: LightField,
  centre: Spot,
  across: number,
  flat: number,
  colour: Light,
  strength: number,
): void {
  const tall = across * flat;
  const top = Math.max(0, Math.ceil(centre.y - tall));
  const bottom = Math.min(height - 1, Math.floor(centre.y + tall));
  const [red, green, blue] = [colour.red * strength, colour.green * strength, colour.blue * strength];
  for (let y = top; y <= bottom; y += 1) {
    const down = (y - centre.y) / tall;
    const room = 1 - down * down;
    if (room <= 0) continue;
    const half = across * Math.sqrt(room);
    const right = Math.min(width - 1, Math.floor(centre.x + half));
    for (let x = Math.max(0, Math.ceil(centre.x - half)); x <= right; x += 1) {
      const side = (x - centre.x) / across;
      const left = room - side * side;
      const amount = left * left;
      const at = (y * width + x) * 3;
      values[at] = (values[at] ?? 0) + red * amount;
      values[at + 1] = (values[at + 1] ?? 0) + green * amount;
      values[at + 2] = (values[at + 2] ?? 0) + blue * amount;
    }
  }
}

/** Adds a beam that widens from one place to another: strongest where it begins and along its middle. Half widths at both ends. */
export function addBeam(
  { width, height, values }: LightField,
  from: Spot,
  to: Spot,
  halves: { from: number; to: number },
  colour: Light,
  strength: number,
): void {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 0.5) return;
  const along = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const corners = [
    { x: from.x - along.y * halves.from, y: from.y + along.x * halves.from },
    { x: from.x + along.y * halves.from, y: from.y - along.x * halves.from },
    { x: to.x + along.y * halves.to, y: to.y - along.x * halves.to },
    { x: to.x - along.y * halves.to, y: to.y + along.x * halves.to },
  ];
  const top = Math.max(0, Math.ceil(Math.min(...corners.map(({ y }) => y))));
  const bottom = Math.min(height - 1, Math.floor(Math.max(...corners.map(({ y }) => y))));
  const [red, green, blue] = [colour.red * strength, colour.green * strength, colour.blue * strength];
  const widening = (halves.to - halves.from) / length;
  for (let y = top; y <= bottom; y += 1) {
    const { left, right } = spanAt(corners, y);
    const last = Math.min(width - 1, Math.floor(right));
    for (let x = Math.max(0, Math.ceil(left)); x <= last; x += 1) {
      const far = (x - from.x) * along.x + (y - from.y) * along.y;
      const share = far / length;
      const aside = ((x - from.x) * along.y - (y - from.y) * along.x) / (halves.from + widening * far);
      const soft = 1 - aside * aside;
      if (share < 0 || share > 1 || soft <= 0) continue;
      const amount = soft * soft * (0.05 + 0.95 * (1 - share) * (1 - 0.5 * share));
      const at = (y * width + x) * 3;
      values[at] = (values[at] ?? 0) + red * amount;
      values[at + 1] = (values[at + 1] ?? 0) + green * amount;
      values[at + 2] = (values[at + 2] ?? 0) + blue * amount;
    }
  }
}

/** Where a line of the grid runs through a shape with four corners. */
function spanAt(corners: readonly Spot[], y: number): { left: number; right: number } {
  let left = Infinity;
  let right = -Infinity;
  for (let index = 0; index < 4; index += 1) {
    const a = corners[index];
    const b = corners[(index + 1) % 4];
    if (!a || !b || (a.y < y && b.y < y) || (a.y > y && b.y > y)) continue;
    const x = a.y === b.y ? a.x : a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y);
    left = Math.min(left, x, a.y === b.y ? b.x : x);
    right = Math.max(right, x, a.y === b.y ? b.x : x);
  }
  return { left, right };
}

const STEPS = 2048;
const MOST = 4;
/** What the eye makes of light: twice as much is not twice as bright, and nothing burns out. */
const EYE = Uint8ClampedArray.from({ length: STEPS }, (_, index) => 255 * (1 - Math.exp((-2 * index * MOST) / STEPS)));

/** Writes the field as a picture, and empties it. A fine grain keeps soft edges from turning into rings. */
export function developField({ values }: LightField, pixels: Uint8ClampedArray): void {
  const scale = STEPS / MOST;
  const count = values.length / 3;
  for (let index = 0; index < count; index += 1) {
    const at = index * 3;
    const to = index * 4;
    const grain = GRAIN[index & 1023] ?? 0;
    for (let part = 0; part < 3; part += 1) {
      const amount = values[at + part] ?? 0;
      pixels[to + part] = amount > 0 ? (EYE[Math.min(STEPS - 1, (amount * scale + grain) | 0)] ?? 255) : 0;
    }
    pixels[to + 3] = 255;
  }
  values.fill(0);
}

/** The same grain in every frame, so that nothing flickers. */
const GRAIN = Float32Array.from({ length: 1024 }, (_, index) => ((Math.imul(index + 1, 0x9e3779b1) >>> 12) % 101) / 50);
