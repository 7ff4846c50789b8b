import { getCoreRowModel, useReactTable } from "@tanstack/react-table";
import { type Attribute, type FixtureType, addressesOf, count, entrySchemas, freeIdAmong } from "@zm/core";
import { useCallback, useMemo } from "react";
import { useFieldArray } from "react-hook-form";
import type { z } from "zod";
import { attributeColumns } from "./attributeColumns.tsx";
import { SmallTable } from "./DataTable.tsx";
import { createDrafts } from "./entryDrafts.ts";
import { EntryForm, NamedField } from "./EntryForm.tsx";
import { type FormRow, formRows } from "./formRows.ts";
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
  [
    "turning gobo",
    [
      {
        id: "rotate",
        family: "beam",
        min: 0,
        max: 100,
        home: 25,
        modes: [
          { name: "Index", from: 0, to: 50, low: -180, high: 180, unit: "deg" },
          { name: "Turn", from: 51, to: 100, low: -60, high: 60, unit: "rpm" },
        ],
      },
    ],
  ],
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
  const addresses = addressesOf({ fixtureTypes: [after] }, after.id);
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
          {count(used, "light")}, {addresses} {addresses === 1 ? "address" : "addresses"} each
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
                id: freeIdAmong("attribute", attributes),
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

interface AttributesTableProps {
  rows: FormRow<Attribute>[];
  onSet: (index: number, next: Attribute) => void;
  onRemove: (index: number) => void;
}

function AttributesTable({ rows, onSet, onRemove }: AttributesTableProps) {
  const columns = useMemo(() => attributeColumns(onSet, onRemove), [onSet, onRemove]);
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
      columns="grid-cols-[1.05fr_0.95fr_repeat(3,0.55fr)_0.65fr_0.5fr_1fr_1fr_0.55fr_0.85fr_0.7fr_28px]"
      className="text-[14px]"
    />
  );
}
