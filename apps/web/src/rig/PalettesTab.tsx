import { FAMILIES, type Family, freeIdAmong } from "@zm/core";
import { useState } from "react";
import { Swatch } from "../shared/Swatch.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { ColourTools } from "./ColourTools.tsx";
import { EntryList } from "./EntryList.tsx";
import { useEntered } from "./entryDrafts.ts";
import { PaletteForm, usePaletteDrafts } from "./PaletteForm.tsx";

/** The palettes: values for all lights, for a type or for one light. Every cue that refers to one follows what is saved here. */
export function PalettesTab() {
  const { sheet } = useShow();
  const { show } = sheet;
  const makeEdits = useMakeEdits();
  const [chosen, setChosen] = useState<string | null>(null);
  const [family, setFamily] = useState<Family>("colour");
  const ordered = FAMILIES.flatMap((each) => show.palettes.filter((palette) => palette.family === each));
  const palette = show.palettes.find((each) => each.id === chosen) ?? ordered[0];
  const add = async (): Promise<void> => {
    const attribute = sheet.keys.all.find((key) => key.attribute.family === family)?.attribute;
    const id = freeIdAmong(`${family}`, show.palettes);
    const values = attribute ? [{ attribute: attribute.id, value: attribute.home }] : [];
    if (await makeEdits([{ op: "setPalette", palette: { id, family, label: "New palette", values } }])) setChosen(id);
  };
  const entered = useEntered(usePaletteDrafts);
  return (
    <EntryList
      label="Palettes"
      entries={ordered.map((each) => ({
        id: each.id,
        name: each.label || each.id,
        about: each.family,
        ...(each.family === "colour" ? { mark: <Swatch palette={each} /> } : {}),
      }))}
      chosen={palette?.id ?? null}
      onChoose={setChosen}
      onAdd={add}
      entered={entered}
      addWord={`New palette: ${family}`}
    >
      <ColourTools />
      <div className="mb-4 flex items-center gap-1" role="group" aria-label="Family of a new palette">
        <span className="mr-1 text-[13px] text-quiet">a new one is for</span>
        {FAMILIES.map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={each === family}
            className="btn btn-xs border-neutral font-normal aria-pressed:border-secondary aria-pressed:text-secondary"
            onClick={() => setFamily(each)}
          >
            {each}
          </button>
        ))}
      </div>
      {palette ? (
        <PaletteForm key={palette.id} palette={palette} />
      ) : (
        <p className="text-quiet">No palette yet. On the Stage, what is in hand is kept as one; or make one here.</p>
      )}
    </EntryList>
  );
}
