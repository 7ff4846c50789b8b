import { FAMILIES, type Family, type Palette, type PaletteValue, freeId, paletteUses } from "@zm/core";
import { X } from "lucide-react";
import { useMemo, useState } from "react";
import { Swatch } from "../shared/Swatch.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { useFormDraft } from "./formDrafts.ts";
import { CellField, numberFault } from "./CellField.tsx";
import { EntryForm, NamedField } from "./EntryForm.tsx";
import { EntryList } from "./EntryList.tsx";

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
    const id = freeId(
      `${family}`,
      show.palettes.map((each) => each.id),
    );
    const values = attribute ? [{ attribute: attribute.id, value: attribute.home }] : [];
    if (await makeEdits([{ op: "setPalette", palette: { id, family, label: "New palette", values } }])) setChosen(id);
  };
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
      draftName={(id) => `palette ${id}`}
      addWord={`New palette: ${family}`}
    >
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

function PaletteForm({ palette }: { palette: Palette }) {
  const { sheet } = useShow();
  const { show } = sheet;
  const draft = useFormDraft<{ label: string; values: readonly PaletteValue[] }>(`palette ${palette.id}`, {
    label: palette.label,
    values: palette.values,
  });
  const { label, values } = draft.value;
  const setLabel = (next: string): void => draft.set({ label: next, values });
  const setValues = (next: readonly PaletteValue[]): void => draft.set({ label, values: next });
  const names = useMemo(
    () => [...new Set(sheet.keys.all.filter((key) => key.attribute.family === palette.family).map((key) => key.attribute.id))],
    [sheet.keys, palette.family],
  );
  const uses = useMemo(() => paletteUses(sheet, palette.id), [sheet, palette.id]);
  const after: Palette = { ...palette, label: label.trim(), values: [...values] };
  const change = (index: number, next: PaletteValue): void => setValues(values.map((each, at) => (at === index ? next : each)));
  return (
    <EntryForm
      label={`Palette ${palette.label}`}
      draft={draft}
      edits={JSON.stringify(after) === JSON.stringify(palette) ? null : [{ op: "setPalette", palette: after }]}
      removals={[
        { word: "Remove the palette", edit: { op: "removePalette", palette: palette.id } },
        { word: "Remove it, cues keep its numbers", edit: { op: "removePalette", palette: palette.id, used: "keepLooks" } },
        { word: "Remove it and the moves", edit: { op: "removePalette", palette: palette.id, used: "drop" } },
      ]}
    >
      <div className="flex items-end gap-4">
        <NamedField name="label" value={label} onChange={setLabel} />
        <span className="pb-1.5 text-quiet">
          {palette.family}, typed as <span className="figures text-base-content">{palette.id}</span>,{" "}
          {uses === 0 ? "used by no move" : `used by ${uses} ${uses === 1 ? "move" : "moves"}`}
        </span>
      </div>
      <div role="grid" aria-label="Values" className="max-w-xl">
        <div role="row" className={`${ROW} border-b border-rule text-[13px] text-quiet`}>
          {["attribute", "value", "for", ""].map((word, index) => (
            <span key={index} role="columnheader" className="px-1.5">
              {word}
            </span>
          ))}
        </div>
        {values.map((value, index) => (
          <div key={index} role="row" aria-rowindex={index + 2} className={`${ROW} border-b border-rule/50`}>
            <span role="gridcell">
              <select
                aria-label={`Attribute of value ${index + 1}`}
                className="w-full bg-transparent px-1"
                value={value.attribute}
                onChange={(event) => change(index, { ...value, attribute: event.target.value })}
              >
                {[...new Set([...names, value.attribute])].map((name) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            </span>
            <CellField
              label={`Value ${index + 1}, ${value.attribute}`}
              value={String(value.value)}
              figures
              check={numberFault}
              onTake={(text) => change(index, { ...value, value: Number(text.replace(",", ".")) })}
            />
            <span role="gridcell">
              <select
                aria-label={`Value ${index + 1} is for`}
                className="w-full bg-transparent px-1"
                value={scopeOf(value)}
                onChange={(event) => change(index, scoped(value, event.target.value))}
              >
                <option value="">all lights</option>
                {show.fixtureTypes.map((type) => (
                  <option key={type.id} value={`type ${type.id}`}>{`type ${type.name || type.id}`}</option>
                ))}
                {show.channels.map((channel) => (
                  <option key={channel.number} value={`light ${channel.number}`}>{`light ${channel.number}`}</option>
                ))}
              </select>
            </span>
            <span role="gridcell">
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square"
                aria-label={`Take value ${index + 1} out`}
                onClick={() => setValues(values.filter((_, at) => at !== index))}
              >
                <X size={12} />
              </button>
            </span>
          </div>
        ))}
      </div>
      <button
        type="button"
        className="btn btn-xs self-start border-neutral font-normal"
        disabled={names.length === 0}
        onClick={() => setValues([...values, { attribute: names[0] ?? "", value: 0 }])}
      >
        One more value
      </button>
    </EntryForm>
  );
}

const ROW = "grid h-7 grid-cols-[1fr_0.7fr_1.4fr_28px] items-center";

function scopeOf({ type, channel }: PaletteValue): string {
  return channel !== undefined ? `light ${channel}` : type !== undefined ? `type ${type}` : "";
}

function scoped({ attribute, value }: PaletteValue, scope: string): PaletteValue {
  if (scope.startsWith("light ")) return { attribute, value, channel: Number(scope.slice(6)) };
  return scope.startsWith("type ") ? { attribute, value, type: scope.slice(5) } : { attribute, value };
}
