import { ShowError } from "../../show/errors.ts";
import type { Palette } from "../../show/schema.ts";
import type { Palettes } from "../../sheet/palettes.ts";
import { thereIsNo } from "../../show/thereIsNo.ts";

/**
 * The palette with this id. Throws ShowError naming those there are.
 * By its id; the line entry, where labels are typed, has a search of its own.
 */
export function paletteNamed(palettes: Palettes, id: string): Palette {
  const found = palettes.byId.get(id);
  if (found) return found;
  throw new ShowError(thereIsNo("palette", id, palettes.byId.keys()));
}
