import { createColumnHelper, getCoreRowModel, useReactTable } from "@tanstack/react-table";
import { type Attribute, FAMILIES, type FixtureType, count, entrySchemas, freeId, readSlots, slotsText } from "@zm/core";
import { useCallback, useMemo } from "react";
import { useFieldArray } from "react-hook-form";
import type { z } from "zod";
import { CellField, numberFault } from "./CellField.tsx";
import { readNumber } from "../shared/readNumber.ts";
import { SmallTable } from "./DataTable.tsx";
import { createDrafts } from "./entryDrafts.ts";
import { EntryForm, NamedField } from "./EntryForm.tsx";
import { type FormRow, formRows, formCell } from "./formRows.ts";
import { TakeOutButton } from "./TakeOutButton.tsx";
import { useEntryForm } from "./useEntryForm.ts";

const fields = entrySchemas.fixtureType.pick({ name: true, attributes: true });
type TypeFields = z.infer<typeof fields>;

/** What is entered for types and not saved. */
export const useTypeDrafts = createDrafts<TypeFields>();

/** What every light that can be dimmed has. */
export const LEVEL: Attribute = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };

/** What a light is often made of, to add at once. */
const USUAL: readonly (readonly [string, readonly Attribute[]])[] = [
  ["intensity", [LEVEL]],
  [
    "pan and tilt",
    [
      { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 120 },
      { id: "tilt", family: "position", min: -130, max: 130, home: 0, speed: 90 },
    ],
  ],
  ["red green blue", ["red", "green", "blue"].map((id): Attribute => ({ id, family: "colour", min: 0, max: 100, home: 100 }))],
  ["zoom", [{ id: "zoom", family: "beam", min: 6, max: 50, home: 22, speed: 30 }]],
  ["gobo wheel", [{ id: "gobo", family: "beam", min: 0, max: 8, home: 0, snap: true }]],
];

/** The form of one type: what its lights can do, in which range, where they rest and how fast they get there. */
export function TypeForm({ type, used }: { type: FixtureType; used: number }) {
  const stored = { name: type.name, attributes: type.attributes };
  const { form, values, draft } = useEntryForm(useTypeDrafts, type.id, stored, fields);
  const rows = useFieldArray({ control: form.control, name: "attributes", keyName: "rowId" });
  const { attributes } = values;
  const add = (some: readonly Attribute[]): void => rows.append([...some], { shouldFocus: false });
  const set = useCallback((index: number, next: Attribute): void => form.setValue(`attributes.${index}`, next), [form]);
  const after: FixtureType = { id: type.id, name: values.name.trim(), attributes: [...attributes] };
  const has = (id: string): boolean => attributes.some((each) => each.id === id);
  const missing = USUAL.filter(([, some]) => some.some(({ id }) => !has(id)));
  return (
    <EntryForm
      label={`Type ${type.name}`}
      draft={draft}
      edits={JSON.stringify(after) === JSON.stringify(type) ? null : [{ op: "setType", type: after }]}
      removals={[{ word: "Remove the type", edit: { op: "removeType", type: type.id } }]}
    >
      <div className="flex items-end gap-4">
        <NamedField words="name" {...form.register("name")} fault={form.formState.errors.name?.message} />
        <span className="pb-1.5 text-quiet">
          {count(used, "light")}, {attributes.length} {attributes.length === 1 ? "address" : "addresses"} each
        </span>
      </div>
      <AttributesTable rows={formRows(rows.fields, attributes)} onSet={set} onRemove={rows.remove} />
      <div className="flex flex-wrap items-center gap-1">
        <span className="mr-1 text-[13px] text-quiet">add</span>
        {missing.map(([word, some]) => (
          <AddButton key={word} onClick={() => add(some.filter(({ id }) => !has(id)))}>
            {word}
          </AddButton>
        ))}
        <AddButton
          onClick={() =>
            add([
              {
                ...ANOTHER,
                id: freeId(
                  "attribute",
                  attributes.map(({ id }) => id),
                ),
              },
            ])
          }
        >
          another
        </AddButton>
      </div>
    </EntryForm>
  );
}

const ANOTHER: Omit<Attribute, "id"> = { family: "beam", min: 0, max: 100, home: 0 };

function AddButton({ onClick, children }: { onClick: () => void; children: React.ReactNode }) {
  return (
    <button type="button" className="btn btn-xs border-neutral font-normal" onClick={onClick}>
      {children}
    </button>
  );
}

const column = createColumnHelper<FormRow<Attribute>>();

/** The columns of numbers and what stands over them. */
const NUMBERS = [
  ["min", "from"],
  ["max", "to"],
  ["home", "home"],
  ["speed", "speed a second"],
] as const;

interface AttributesTableProps {
  rows: FormRow<Attribute>[];
  onSet: (index: number, next: Attribute) => void;
  onRemove: (index: number) => void;
}

function AttributesTable({ rows, onSet, onRemove }: AttributesTableProps) {
  const columns = useMemo(
    () => [
      column.accessor(({ value }) => value.id, {
        id: "id",
        header: "attribute",
        cell: formCell(({ index, value }) => (
          <CellField
            label={`Attribute ${index + 1}`}
            value={value.id}
            check={(text) => (text === "" ? "An attribute has a name, such as pan" : undefined)}
            onTake={(id) => onSet(index, { ...value, id })}
          />
        )),
      }),
      column.accessor(({ value }) => value.family, {
        id: "family",
        header: "family",
        cell: formCell(({ index, value }) => (
          <select
            aria-label={`Family of ${value.id}`}
            className="w-full bg-transparent"
            value={value.family}
            onChange={(event) => {
              const family = FAMILIES.find((each) => each === event.target.value);
              if (family) onSet(index, { ...value, family });
            }}
          >
            {FAMILIES.map((family) => (
              <option key={family}>{family}</option>
            ))}
          </select>
        )),
      }),
      ...NUMBERS.map(([field, word]) =>
        column.accessor(({ value }) => value[field], {
          id: field,
          header: word,
          cell: formCell(({ index, value }) => (
            <CellField
              label={`${field} of ${value.id}`}
              value={String(value[field] ?? "")}
              figures
              check={(text) => (text === "" && field === "speed" ? undefined : numberFault(text))}
              onTake={(text) => onSet(index, withNumber(value, field, text))}
            />
          )),
        }),
      ),
      column.accessor(({ value }) => value.snap, {
        id: "snap",
        header: "jumps",
        meta: { cell: "px-1.5" },
        cell: formCell(({ index, value }) => (
          <input
            type="checkbox"
            aria-label={`${value.id} jumps`}
            className="checkbox checkbox-xs"
            checked={value.snap ?? false}
            onChange={(event) => onSet(index, { ...value, snap: event.target.checked ? true : undefined })}
          />
        )),
      }),
      column.accessor(({ value }) => value.slots, {
        id: "slots",
        header: "slots by name",
        cell: formCell(({ index, value }) => (
          <CellField
            label={`Slots of ${value.id}`}
            value={slotsText(value.slots)}
            check={(text) => (readSlots(text) ? undefined : 'Write a number and a name for each, such as "0 Open, 3 Leaves"')}
            onTake={(text) => {
              const slots = readSlots(text);
              onSet(index, { ...value, slots: slots && slots.length > 0 ? slots : undefined });
            }}
          />
        )),
      }),
      column.display({
        id: "out",
        header: "",
        cell: formCell(({ index, value }) => <TakeOutButton label={`Take ${value.id} out`} onClick={() => onRemove(index)} />),
      }),
    ],
    [onSet, onRemove],
  );
  const table = useReactTable({
    data: rows,
    columns,
    getRowId: ({ rowId }) => rowId,
    getCoreRowModel: getCoreRowModel(),
    enableSorting: false,
  });
  return (
    <SmallTable
      table={table}
      label="Attributes"
      columns="grid-cols-[1.2fr_0.9fr_repeat(3,0.6fr)_0.8fr_0.5fr_1.4fr_28px]"
      className="text-[14px]"
    />
  );
}

/** An attribute with a number as it was typed; an emptied speed is none. */
function withNumber(attribute: Attribute, field: (typeof NUMBERS)[number][0], text: string): Attribute {
  return { ...attribute, [field]: text === "" ? undefined : readNumber(text) };
}
