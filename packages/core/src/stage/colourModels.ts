import type { Light } from "./colour.ts";

/** A colour by its hue, 0 to 360 degrees from red over yellow, its saturation and its value, per cent. */
export interface HueColour {
  readonly hue: number;
  readonly saturation: number;
  readonly value: number;
}

const clamp = (part: number): number => Math.min(1, Math.max(0, part));

/** The colour of a hue. Hues outside 0 to 360 come round. */
export function lightOfHue({ hue, saturation, value }: HueColour): Light {
  const [s, v] = [clamp(saturation / 100), clamp(value / 100)];
  const part = (n: number): number => {
    const k = (((n + hue / 60) % 6) + 6) % 6;
    return v - v * s * Math.max(0, Math.min(k, 4 - k, 1));
  };
  return { red: part(5), green: part(3), blue: part(1) };
}

/** The hue, saturation and value of a colour; a grey has the hue 0. */
export function hueOf({ red, green, blue }: Light): HueColour {
  const most = Math.max(red, green, blue);
  const span = most - Math.min(red, green, blue);
  const sixths =
    span === 0 ? 0 : most === red ? (green - blue) / span : most === green ? 2 + (blue - red) / span : 4 + (red - green) / span;
  return { hue: (((sixths * 60) % 360) + 360) % 360, saturation: most === 0 ? 0 : (span / most) * 100, value: most * 100 };
}

/** The coolest and the warmest white that is asked for by its kelvin. */
export const KELVIN = { least: 1500, most: 12_000 } as const;

/**
 * The white of a glowing body of so many kelvin, its strongest part full: 2000 is candle-like, 3200 a tungsten lamp, 6500 daylight. Outside
 * `KELVIN` the nearest end counts.
 * By the published approximation of the Planckian locus in CIE xy, turned into the red, green and blue of a screen (IEC 61966-2-1).
 */
export function lightOfKelvin(kelvin: number): Light {
  const t = Math.min(KELVIN.most, Math.max(1667, kelvin));
  const x =
    t <= 4000
      ? -0.2661239e9 / t ** 3 - 0.234358e6 / t ** 2 + 0.8776956e3 / t + 0.17991
      : -3.0258469e9 / t ** 3 + 2.1070379e6 / t ** 2 + 0.2226347e3 / t + 0.24039;
  const y =
    t <= 2222
      ? -1.1063814 * x ** 3 - 1.3481102 * x ** 2 + 2.18555832 * x - 0.20219683
      : t <= 4000
        ? -0.9549476 * x ** 3 - 1.37418593 * x ** 2 + 2.09137015 * x - 0.16748867
        : 3.081758 * x ** 3 - 5.8733867 * x ** 2 + 3.75112997 * x - 0.37001483;
  const [X, Z] = [x / y, (1 - x - y) / y];
  const linear = [3.2406 * X - 1.5372 - 0.4986 * Z, -0.9689 * X + 1.8758 + 0.0415 * Z, 0.0557 * X - 0.204 + 1.057 * Z].map((part) =>
    Math.max(0, part),
  );
  const most = Math.max(...linear);
  const [red = 0, green = 0, blue = 0] = linear.map((part) => encoded(part / most));
  return { red, green, blue };
}

/** A linear part of light as a screen is told it. */
function encoded(part: number): number {
  return part <= 0.0031308 ? 12.92 * part : 1.055 * part ** (1 / 2.4) - 0.055;
}

/** A colour written as #rrggbb; undefined for any other text. */
export function lightOfHex(text: string): Light | undefined {
  const [, r, g, b] = /^#?([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(text.trim()) ?? [];
  if (r === undefined || g === undefined || b === undefined) return undefined;
  const part = (hex: string): number => Number.parseInt(hex, 16) / 255;
  return { red: part(r), green: part(g), blue: part(b) };
}

/** A colour as #rrggbb. */
export function hexOf({ red, green, blue }: Light): string {
  const part = (value: number): string =>
    Math.round(clamp(value) * 255)
      .toString(16)
      .padStart(2, "0");
  return `#${part(red)}${part(green)}${part(blue)}`;
}
