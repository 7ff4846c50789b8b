import { createColumnHelper, getCoreRowModel, useReactTable } from "@tanstack/react-table";
import { type FixtureType, type Palette, type PaletteValue, count, entrySchemas, paletteUses, sameData } from "@zm/core";
import { memo, useCallback, useId, useMemo } from "react";
import { useFieldArray } from "react-hook-form";
import type { z } from "zod";
import { useSame } from "../shared/useSame.ts";
import { useShow } from "../show/useShow.ts";
import { CellField, numberFault } from "./CellField.tsx";
import { CurveSelect } from "../shared/CurveSelect.tsx";
import { FanField } from "../shared/FanField.tsx";
import { readSpread } from "../shared/readSpread.ts";
import { readNumber } from "../shared/readNumber.ts";
import { ScrollingTable, SmallTable } from "./DataTable.tsx";
import { createDrafts } from "./entryDrafts.ts";
import { EntryForm, NamedField } from "./EntryForm.tsx";
import { type FormRow, formRows, formCell } from "./formRows.ts";
import { TakeOutButton } from "./TakeOutButton.tsx";
import { useEntryForm } from "./useEntryForm.ts";

const fields = entrySchemas.palette.pick({ label: true, values: true, times: true });
type PaletteFields = z.infer<typeof fields>;

/** What is entered for palettes and not saved. */
export const usePaletteDrafts = createDrafts<PaletteFields>();

/** The form of one palette: its label and its values, each for all lights, a type or one light. */
export function PaletteForm({ palette }: { palette: Palette }) {
  const { sheet } = useShow();
  const stored = { label: palette.label, values: palette.values, times: palette.times };
  const { form, values, draft } = useEntryForm(usePaletteDrafts, palette.id, stored, fields);
  const rows = useFieldArray({ control: form.control, name: "values", keyName: "rowId" });
  const names = useMemo(
    () => [...new Set(sheet.keys.all.filter((key) => key.attribute.family === palette.family).map((key) => key.attribute.id))],
    [sheet.keys, palette.family],
  );
  const uses = useMemo(() => paletteUses(sheet, palette.id), [sheet, palette.id]);
  const valueRows = useSame(formRows(rows.fields, values.values));
  const set = useCallback((index: number, value: PaletteValue): void => form.setValue(`values.${index}`, value), [form]);
  const { times: _times, ...others } = palette;
  const times = timesOrNone(values.times);
  const after: Palette = { ...others, label: values.label.trim(), values: [...values.values], ...(times ? { times } : {}) };
  return (
    <EntryForm
      label={`Palette ${palette.label}`}
      draft={draft}
      edits={sameData(after, palette) ? null : [{ op: "setPalette", palette: after }]}
      removals={[
        { word: "Remove the palette", edit: { op: "removePalette", palette: palette.id } },
        { word: "Remove it, cues keep its numbers", edit: { op: "removePalette", palette: palette.id, used: "keepLooks" } },
        { word: "Remove it and the moves", edit: { op: "removePalette", palette: palette.id, used: "drop" } },
      ]}
    >
      <div className="flex items-end gap-4">
        <NamedField words="label" {...form.register("label")} fault={form.formState.errors.label?.message} />
        <span className="pb-1.5 text-quiet">
          {palette.family}, typed as <span className="figures text-base-content">{palette.id}</span>,{" "}
          {uses === 0 ? "used by no move" : `used by ${count(uses, "move")}`}
        </span>
      </div>
      <PaletteTimes times={values.times} onChange={(next) => form.setValue("times", next)} />
      <ValuesTable rows={valueRows} names={names} onSet={set} onRemove={rows.remove} />
      <button
        type="button"
        className="btn btn-xs self-start border-neutral font-normal"
        disabled={names.length === 0}
        onClick={() => rows.append({ attribute: names[0] ?? "", value: 0 }, { shouldFocus: false })}
      >
        One more value
      </button>
    </EntryForm>
  );
}

type Times = NonNullable<Palette["times"]>;

/** Times without those that say nothing; undefined where none does. */
function timesOrNone({ fade, delay, curve }: Times = {}): Times | undefined {
  if (fade === undefined && delay === undefined && curve === undefined) return undefined;
  return { ...(fade === undefined ? {} : { fade }), ...(delay === undefined ? {} : { delay }), ...(curve === undefined ? {} : { curve }) };
}

/** The times that are laid on lights when the palette is given to them. */
function PaletteTimes({ times = {}, onChange }: { times: Palette["times"]; onChange: (times: Times) => void }) {
  return (
    <fieldset className="flex flex-wrap items-center gap-2 text-quiet" aria-label="Times that it carries">
      <span className="text-[13px]">given with it:</span>
      {(["fade", "delay"] as const).map((which) => (
        <FanField
          key={which}
          label={`${which} of the palette`}
          placeholder={which}
          title="Seconds, or a fan over the lights that are given it: 0~3.5"
          words={String(times[which] ?? "")}
          read={readSpread}
          onTake={(value) => onChange({ ...times, [which]: value ?? undefined })}
        />
      ))}
      <span className="flex w-36">
        <CurveSelect
          label="curve of the palette"
          value={times.curve ?? null}
          onTake={(curve) => onChange({ ...times, curve: curve ?? undefined })}
        />
      </span>
    </fieldset>
  );
}

const column = createColumnHelper<FormRow<PaletteValue>>();

interface ValuesTableProps {
  rows: FormRow<PaletteValue>[];
  names: readonly string[];
  onSet: (index: number, value: PaletteValue) => void;
  onRemove: (index: number) => void;
}

/** The values of a palette, a row each; made anew only when they change. */
const ValuesTable = memo(function ValuesTable({ rows, names, onSet, onRemove }: ValuesTableProps) {
  const { show } = useShow().sheet;
  const offered = useId();
  const types = show.fixtureTypes;
  const lights = useMemo(() => new Set(show.channels.map(({ number }) => number)), [show.channels]);
  const columns = useMemo(
    () => [
      column.accessor(({ value }) => value.attribute, {
        id: "attribute",
        header: "attribute",
        cell: formCell(({ index, value }) => (
          <select
            aria-label={`Attribute of value ${index + 1}`}
            className="w-full bg-transparent px-1"
            value={value.attribute}
            onChange={(event) => onSet(index, { ...value, attribute: event.target.value })}
          >
            {[...new Set([...names, value.attribute])].map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        )),
      }),
      column.accessor(({ value }) => value.value, {
        id: "value",
        header: "value",
        cell: formCell(({ index, value }) => (
          <CellField
            label={`Value ${index + 1}, ${value.attribute}`}
            value={String(value.value)}
            figures
            check={numberFault}
            onTake={(text) => onSet(index, { ...value, value: readNumber(text) })}
          />
        )),
      }),
      column.accessor(({ value }) => scopeWords(value, types), {
        id: "for",
        header: "for",
        cell: formCell(({ index, value }) => (
          <CellField
            label={`Value ${index + 1} is for`}
            value={scopeWords(value, types)}
            offered={offered}
            check={(text) =>
              scopeNamed(text, types, lights) ? undefined : `"${text}" is no light and no type; write all lights, a type or light 12`
            }
            onTake={(text) => onSet(index, { attribute: value.attribute, value: value.value, ...scopeNamed(text, types, lights) })}
          />
        )),
      }),
      column.display({
        id: "out",
        header: "",
        cell: ({ row: { index } }) => <TakeOutButton label={`Take value ${index + 1} out`} onClick={() => onRemove(index)} />,
      }),
    ],
    [names, types, lights, offered, onSet, onRemove],
  );
  const table = useReactTable({
    data: rows,
    columns,
    getRowId: ({ rowId }) => rowId,
    getCoreRowModel: getCoreRowModel(),
    enableSorting: false,
  });
  return (
    <>
      <datalist id={offered}>
        <option>{ALL}</option>
        {types.map((type) => (
          <option key={type.id}>{type.name || type.id}</option>
        ))}
      </datalist>
      {rows.length > MOST_ROWS ? (
        <div className="flex h-96 max-w-xl flex-col">
          <ScrollingTable table={table} label="Values" columns={COLUMNS} />
        </div>
      ) : (
        <SmallTable table={table} label="Values" columns={COLUMNS} className="max-w-xl" />
      )}
    </>
  );
});

const COLUMNS = "grid-cols-[1fr_0.7fr_1.4fr_28px]";
/** A palette with more values than this scrolls in its table. */
const MOST_ROWS = 40;

const ALL = "all lights";

/** Whom a value is for, as it is written in the table. */
function scopeWords({ type, channel }: PaletteValue, types: readonly FixtureType[]): string {
  if (channel !== undefined) return `light ${channel}`;
  return type === undefined ? ALL : types.find(({ id }) => id === type)?.name || type;
}

/** What a text says of whom a value is for: a light that there is, a type by its name or id, or all lights. Undefined for anything else. */
function scopeNamed(
  text: string,
  types: readonly FixtureType[],
  lights: ReadonlySet<number>,
): Pick<PaletteValue, "type" | "channel"> | undefined {
  const plain = text.trim().toLowerCase();
  if (plain === "" || plain === "all" || plain === ALL) return {};
  const light = /^(?:light )?(\d+)$/.exec(plain)?.[1];
  if (light !== undefined) return lights.has(Number(light)) ? { channel: Number(light) } : undefined;
  const type = types.find(({ id, name }) => id.toLowerCase() === plain || name.toLowerCase() === plain);
  return type && { type: type.id };
}
