import { createColumnHelper } from "@tanstack/react-table";
import { type Attribute, FAMILIES, modesText, readModes, readSlots, slotsText } from "@zm/core";
import { readNumber } from "../shared/readNumber.ts";
import { CellField, numberFault } from "./CellField.tsx";
import { type FormRow, formCell } from "./formRows.ts";
import { TakeOutButton } from "./TakeOutButton.tsx";

const column = createColumnHelper<FormRow<Attribute>>();

/** The columns of numbers and what stands over them. */
const NUMBERS = [
  ["min", "from"],
  ["max", "to"],
  ["home", "home"],
  ["speed", "speed/s"],
] as const;

/** The columns of the table of attributes; each cell is a field. */
export function attributeColumns(onSet: (index: number, next: Attribute) => void, onRemove: (index: number) => void) {
  return [
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
    ...sentColumns(onSet),
    column.display({
      id: "out",
      header: "",
      cell: formCell(({ index, value }) => <TakeOutButton label={`Take ${value.id} out`} onClick={() => onRemove(index)} />),
    }),
  ];
}

/** What stretches of its range mean, and how finely it is sent. */
function sentColumns(onSet: (index: number, next: Attribute) => void) {
  return [
    column.accessor(({ value }) => value.modes, {
      id: "modes",
      header: "modes",
      meta: { title: 'Stretches that mean different things, such as "index 0..50 = -180..180 deg, turn 51..100 = -60..60 rpm"' },
      cell: formCell(({ index, value }) => (
        <CellField
          label={`Modes of ${value.id}`}
          value={modesText(value.modes)}
          check={(text) => (readModes(text) ? undefined : 'Write a name and a stretch for each, such as "index 0..50 = -180..180 deg"')}
          onTake={(text) => {
            const modes = readModes(text);
            onSet(index, { ...value, modes: modes && modes.length > 0 ? modes : undefined });
          }}
        />
      )),
    }),
    column.accessor(({ value }) => value.bits, {
      id: "bits",
      header: "fine",
      meta: { cell: "px-1.5", title: "Sent in two addresses, the coarse one first: 16 bits" },
      cell: formCell(({ index, value }) => (
        <input
          type="checkbox"
          aria-label={`${value.id} is sent in 16 bits`}
          className="checkbox checkbox-xs"
          checked={value.bits === 16}
          onChange={(event) => onSet(index, { ...value, bits: event.target.checked ? 16 : undefined })}
        />
      )),
    }),
  ];
}

/** An attribute with a number as it was typed; an emptied speed is none. */
function withNumber(attribute: Attribute, field: (typeof NUMBERS)[number][0], text: string): Attribute {
  return { ...attribute, [field]: text === "" ? undefined : readNumber(text) };
}
