import { type Light, type Moves, type ShowSheet, TINTS, lightColour, mixFor } from "@zm/core";
import { RgbColorPicker } from "react-colorful";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useShow } from "../show/useShow.ts";
import { PictureColour } from "./PictureColour.tsx";

/** The colour of the chosen lights: a picker that drives each light's own colour attributes, and tints to begin from. */
export function ColourGive({ channels }: { channels: readonly number[] }) {
  const { sheet } = useShow();
  const { change, outputOf } = useHandChange();
  const give = (light: Light): void => {
    const moves = mixMoves(sheet, channels, light);
    if (Object.keys(moves).length > 0) change({ do: "give", moves });
  };
  const now = colourNow(sheet, channels, outputOf);
  const wide = (part: number): number => Math.round(part * 255);
  return (
    <div className="flex flex-col gap-2">
      <RgbColorPicker
        className="!h-[120px] !w-full"
        color={{ r: wide(now.red), g: wide(now.green), b: wide(now.blue) }}
        onChange={({ r, g, b }) => give({ red: r / 255, green: g / 255, blue: b / 255 })}
      />
      <div className="grid grid-cols-13 gap-[3px]" role="group" aria-label="Tints">
        {TINTS.map(({ name, light }) => (
          <button
            key={name}
            type="button"
            title={name}
            aria-label={name}
            className="aspect-square rounded-xs border border-neutral hover:border-base-content"
            style={{ background: `rgb(${wide(light.red)} ${wide(light.green)} ${wide(light.blue)})` }}
            onClick={() => give(light)}
          />
        ))}
      </div>
      <div>
        <PictureColour onTake={give} />
      </div>
    </div>
  );
}

/** The levels of each light's own colour attributes that give a colour; lights without colour are left out. */
export function mixMoves(sheet: ShowSheet, channels: readonly number[], light: Light): Moves {
  const moves: Moves = {};
  for (const channel of channels) {
    const attributes = [...(sheet.keys.byChannel.get(channel)?.values() ?? [])].map((key) => key.attribute);
    const levels = mixFor(attributes, light);
    if (Object.keys(levels).length > 0) moves[channel] = levels;
  }
  return moves;
}

function colourNow(sheet: ShowSheet, channels: readonly number[], outputOf: ReturnType<typeof useHandChange>["outputOf"]): Light {
  for (const channel of channels) {
    const keys = sheet.keys.byChannel.get(channel);
    const attributes = [...(keys?.values() ?? [])].map((key) => key.attribute);
    if (!keys || !attributes.some(({ family }) => family === "colour")) continue;
    return lightColour(attributes, (name) => {
      const key = keys.get(name);
      return key ? outputOf(key) : 0;
    });
  }
  return { red: 1, green: 1, blue: 1 };
}
