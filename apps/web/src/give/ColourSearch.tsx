import { type Light, lightOfHex } from "@zm/core";
import { useMemo, useState } from "react";
import { useShow } from "../show/useShow.ts";

/** So many colours are shown at once; more letters find fewer. */
const SHOWN = 24;

/** Colours by the number or the name that they have in the lists that somebody brought; nothing where none was. */
export function ColourSearch({ onTake }: { onTake: (light: Light) => void }) {
  const { colourLists = [] } = useShow().sheet.show;
  const [text, setText] = useState("");
  const typed = text.trim().toLowerCase();
  const found = useMemo(() => {
    if (typed === "") return [];
    const all = colourLists.flatMap(({ id, colours }) => colours.map((colour) => ({ ...colour, list: id })));
    const begins = all.filter(({ number, name = "" }) => number.toLowerCase().startsWith(typed) || name.toLowerCase().includes(typed));
    return begins.sort((a, b) => Number(b.number.toLowerCase() === typed) - Number(a.number.toLowerCase() === typed)).slice(0, SHOWN);
  }, [colourLists, typed]);
  if (colourLists.length === 0) return null;
  const take = (rgb: string): void => {
    const light = lightOfHex(rgb);
    if (light) onTake(light);
  };
  return (
    <div className="flex flex-col gap-1">
      <input
        aria-label="Colour by number or name"
        placeholder="number or name of a colour"
        autoComplete="off"
        className="input input-sm w-full bg-base-100 px-2"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter" && found[0]) take(found[0].rgb);
          if (event.key === "Escape" && text !== "") {
            event.stopPropagation();
            setText("");
          }
        }}
      />
      {typed !== "" && found.length === 0 && <p className="text-[13px] text-quiet">No colour of your lists is called so.</p>}
      <ul className="flex flex-wrap gap-1" aria-label="Colours that are found">
        {found.map(({ list, number, name, rgb }) => (
          <li key={`${list}/${number}`}>
            <button type="button" className="btn btn-xs border-neutral gap-1 px-1.5 font-normal" onClick={() => take(rgb)}>
              <span className="size-3.5 rounded-xs border border-neutral" style={{ background: rgb }} />
              {number} {name}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
