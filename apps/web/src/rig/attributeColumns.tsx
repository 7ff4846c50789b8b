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
      header: "slots",
      cell: formCell(({ index, value }) => (
        <CellField
          label={`Slots of ${value.id}`}
          value={slotsText(value.slots)}
          check={(text) => (readSlots(text) ? undefined : 'Write a number and a name for each, such as "0 Open, 3 Leaves"')}
          onTake={(text) => {
            // The colour and the picture of a place stay with its number.
            const slots = readSlots(text)?.map((slot) => ({ ...value.slots?.find((each) => each.value === slot.value), ...slot }));
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
      meta: { cell: "px-1.5", title: "In how many bits it is sent: 8 in one address, 16 in two, 24 in three, the coarse one first" },
      cell: formCell(({ index, value }) => (
        <select
          aria-label={`How finely ${value.id} is sent`}
          className="bg-transparent"
          value={value.bits ?? 8}
          onChange={(event) => onSet(index, { ...value, bits: BITS.find((bits) => String(bits) === event.target.value), at: undefined })}
        >
          {[8, ...BITS].map((bits) => (
            <option key={bits}>{bits}</option>
          ))}
        </select>
      )),
    }),
    column.accessor(({ value }) => value.at, {
      id: "at",
      header: "addresses",
      meta: {
        title:
          "Which of its light's addresses it takes, such as 1, 3; behind a colon in which of its patches, 2: 1. Empty: those behind the attribute before it",
      },
      cell: formCell(({ index, value }) => (
        <CellField
          label={`Addresses of ${value.id}`}
          value={placeText(value)}
          figures
          check={(text) =>
            readPlace(text, value)
              ? undefined
              : `Write ${(value.bits ?? 8) / 8} of its light's addresses, such as ${value.bits === 16 ? "1, 3" : "1"}`
          }
          onTake={(text) => onSet(index, { ...value, ...readPlace(text, value) })}
        />
      )),
    }),
    column.accessor(({ value }) => value.highlight, {
      id: "highlight",
      header: "seen at",
      meta: { title: "What it is at while its light is to be found: an open shutter, a wheel out of the way" },
      cell: formCell(({ index, value }) => (
        <CellField
          label={`Seen at, of ${value.id}`}
          value={String(value.highlight ?? "")}
          figures
          check={(text) => (text === "" ? undefined : numberFault(text))}
          onTake={(text) => onSet(index, { ...value, highlight: text === "" ? undefined : readNumber(text) })}
        />
      )),
    }),
  ];
}

const BITS = [16, 24] as const;

/** Where an attribute stands behind its light's address, as it is typed: "1, 3", or "2: 1" in the second of its patches. */
function placeText({ at, break: under }: Attribute): string {
  const addresses = at?.join(", ") ?? "";
  return under === undefined ? addresses : `${under}: ${addresses}`.trim();
}

/** The addresses and the patch that were typed; undefined for what does not fit its bits. */
function readPlace(text: string, { bits = 8 }: Attribute): Pick<Attribute, "at" | "break"> | undefined {
  const [, under, addresses = ""] = /^\s*(?:([1-8])\s*:)?\s*([\d,\s]*)$/.exec(text) ?? [];
  if (addresses.trim() === "" && text.trim() === "") return { at: undefined, break: undefined };
  const at = addresses.split(",").map((each) => Number(each.trim() || Number.NaN));
  const fits = at.length === bits / 8 && at.every((address) => Number.isInteger(address) && address >= 1 && address <= 512);
  return fits ? { at, break: under === undefined || under === "1" ? undefined : Number(under) } : undefined;
}

/** An attribute with a number as it was typed; an emptied speed is none. */
function withNumber(attribute: Attribute, field: (typeof NUMBERS)[number][0], text: string): Attribute {
  return { ...attribute, [field]: text === "" ? undefined : readNumber(text) };
}
