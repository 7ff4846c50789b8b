import { type Light, TINTS, hexOf, lightColour, mixMoves, seenOverTypes } from "@zm/core";
import { RgbColorPicker } from "react-colorful";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useShow } from "../show/useShow.ts";
import { ColourNumbers } from "./ColourNumbers.tsx";
import { ColourSearch } from "./ColourSearch.tsx";
import { PictureColour } from "./PictureColour.tsx";

/** The colour of the chosen lights: a picker that drives each light's own colour attributes, numbers of the model that one knows, tints to begin from, and how it is seen over each type of light. */
export function ColourGive({ channels }: { channels: readonly number[] }) {
  const { sheet } = useShow();
  const { change, outputOf } = useHandChange();
  const give = (light: Light): void => {
    const moves = mixMoves(sheet.keys, channels, light);
    if (Object.keys(moves).length > 0) change({ do: "give", moves });
  };
  const now = useColourNow(channels, outputOf);
  const wide = (part: number): number => Math.round(part * 255);
  return (
    <div className="flex flex-col gap-2">
      <RgbColorPicker
        className="!h-[120px] !w-full"
        color={{ r: wide(now.red), g: wide(now.green), b: wide(now.blue) }}
        onChange={({ r, g, b }) => give({ red: r / 255, green: g / 255, blue: b / 255 })}
      />
      <ColourNumbers light={now} onGive={give} />
      <div className="grid grid-cols-13 gap-[3px]" role="group" aria-label="Tints">
        {TINTS.map(({ name, light }) => (
          <button
            key={name}
            type="button"
            title={name}
            aria-label={name}
            className="aspect-square rounded-xs border border-neutral hover:border-base-content"
            style={{ background: hexOf(light) }}
            onClick={() => give(light)}
          />
        ))}
      </div>
      <ColourSearch onTake={give} />
      <SeenOver channels={channels} light={now} />
      <div>
        <PictureColour onTake={give} />
      </div>
    </div>
  );
}

/** How a colour is seen over each type of light among those that are chosen: no two mix it quite alike. */
function SeenOver({ channels, light }: { channels: readonly number[]; light: Light }) {
  const { show } = useShow().sheet;
  const types = new Set(show.channels.filter(({ number }) => channels.includes(number)).map(({ type }) => type));
  const seen = seenOverTypes(show, light).filter(({ type }) => types.has(type));
  if (seen.length < 2) return null;
  return (
    <ul aria-label="As it is seen" className="flex flex-wrap gap-x-3 gap-y-1 text-[13px] text-quiet">
      {seen.map(({ type, name, seen: own }) => (
        <li key={type} className="flex items-center gap-1.5">
          <span className="size-4 rounded-xs border border-neutral" style={{ background: hexOf(own) }} />
          {name}
        </li>
      ))}
    </ul>
  );
}

/** The colour that the first of the chosen lights gives which mixes one. */
function useColourNow(channels: readonly number[], outputOf: ReturnType<typeof useHandChange>["outputOf"]): Light {
  const { keys: all } = useShow().sheet;
  for (const channel of channels) {
    const keys = all.byChannel.get(channel);
    const attributes = [...(keys?.values() ?? [])].map((key) => key.attribute);
    if (!keys || !attributes.some(({ family }) => family === "colour")) continue;
    return lightColour(attributes, (name) => {
      const key = keys.get(name);
      return key ? outputOf(key) : 0;
    });
  }
  return { red: 1, green: 1, blue: 1 };
}
