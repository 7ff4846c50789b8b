// Colours as they are typed: by number or name, by kelvin, in the numbers of a model.
import { type Light } from "../stage/colour.ts";
import { KELVIN, lightOfHue, lightOfKelvin } from "../stage/colourModels.ts";
import { TINTS } from "../stage/tints.ts";
import { tintNamed } from "../hand/mixing.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { Fault } from "./names.ts";
import type { TypedColour } from "./sentence.ts";

/** The colour that was typed. Throws Fault for a number that no list has, and for parts outside their range. */
export function colourNamed(typed: TypedColour, { show }: ShowSheet): Light {
  if ("tint" in typed) {
    const light = tintNamed(show, typed.tint.name);
    if (light) return light;
    const lists = (show.colourLists ?? []).map(({ label, id }) => label || id);
    throw new Fault({
      message: `There is no colour ${typed.tint.name}; ${lists.length === 0 ? "no list of colours was brought yet (Rig, Palettes)" : `the lists are ${lists.join(", ")}`}, and our own tints begin with ${TINTS.slice(
        0,
        3,
      )
        .map(({ name }) => name)
        .join(", ")}`,
      at: typed.tint.at,
      length: typed.tint.name.length,
    });
  }
  if ("kelvin" in typed) {
    if (typed.kelvin >= KELVIN.least && typed.kelvin <= KELVIN.most) return lightOfKelvin(typed.kelvin);
    throw fault(`A white is ${KELVIN.least} to ${KELVIN.most} kelvin`);
  }
  if ("hue" in typed) {
    const { hue, saturation, value } = typed;
    if (hue <= 360 && saturation <= 100 && value <= 100) return lightOfHue({ hue, saturation, value });
    throw fault("A hue is 0 to 360 degrees, saturation and value 0 to 100 %");
  }
  const parts = "rgb" in typed ? typed.rgb : typed.cmy;
  if (parts.some((part) => part > 100)) throw fault("Each part of a colour is 0 to 100 %");
  const [a, b, c] = parts.map((part) => ("rgb" in typed ? part / 100 : 1 - part / 100));
  return { red: a ?? 0, green: b ?? 0, blue: c ?? 0 };
}

function fault(message: string): Fault {
  return new Fault({ message, at: 0, length: 1 });
}
