import { type SortingState, createColumnHelper, getCoreRowModel, getSortedRowModel, useReactTable } from "@tanstack/react-table";
import { type Channel, type FixtureType, count, patchFaults, patchWords, readPatch } from "@zm/core";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { chooseLights, toggleLights, useSelection } from "../choice/selection.ts";
import { EmptyView } from "../shared/EmptyView.tsx";
import { focusOn } from "../shared/focusPlaces.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { BulkForm } from "./BulkForm.tsx";
import { CellField, numberFault } from "./CellField.tsx";
import { readNumber } from "../shared/readNumber.ts";
import { CsvButtons } from "./CsvButtons.tsx";
import { ScrollingTable } from "./DataTable.tsx";

const COLUMNS = "min-w-[660px] px-4 grid-cols-[52px_minmax(110px,1fr)_128px_74px_repeat(3,58px)_minmax(90px,1fr)]";

/** One light as the table shows it. */
interface LightRow {
  readonly channel: Channel;
  readonly typeName: string;
  readonly groups: string;
  /** What is wrong with its patch, if anything is. */
  readonly fault: string | undefined;
}

/** Every light of the rig, a row for each: what it is called, what it is, where it is patched and hung. */
export function LightsTab() {
  const { sheet } = useShow();
  const { show } = sheet;
  const chosen = useSelection((choice) => choice.channels);
  const faults = useMemo(() => patchFaults(sheet), [sheet]);
  const lights = useMemo(() => rowsOf(show.channels, show.fixtureTypes, groupsByChannel(show.groups), faults), [show, faults]);
  const columns = useColumns(show.fixtureTypes);
  const [sorting, setSorting] = useState<SortingState>([]);
  const table = useReactTable({
    data: lights,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    sortDescFirst: false,
    getRowId: ({ channel }) => String(channel.number),
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const chosenSet = useMemo(() => new Set(chosen), [chosen]);
  const isChosen = ({ original }: { original: LightRow }): boolean => chosenSet.has(original.channel.number);
  return (
    <div className="flex h-full flex-col">
      <BulkForm />
      <div className="flex h-8 shrink-0 items-center gap-3 border-y border-rule px-4 text-[13px]">
        <span className={faults.size > 0 ? "text-error" : "text-quiet"}>
          {faults.size === 0 ? "No patch clash" : `${count(faults.size, "light")} with a patch that clashes`}
        </span>
        <span className="flex-1" />
        <CsvButtons />
      </div>
      <ScrollingTable
        table={table}
        label="Lights"
        columns={COLUMNS}
        isChosen={isChosen}
        rowClass={(row) => (isChosen(row) ? "bg-base-300" : "")}
      >
        {lights.length === 0 && <NoLights />}
      </ScrollingTable>
    </div>
  );
}

const column = createColumnHelper<LightRow>();

function useColumns(types: readonly FixtureType[]) {
  const makeEdits = useMakeEdits();
  return useMemo(() => {
    const set = (channel: Channel): void => void makeEdits([{ op: "setChannel", channel }]);
    return [
      column.accessor((light) => light.channel.number, {
        id: "light",
        header: "light",
        meta: { namesRow: true },
        cell: ({ row, table }) => (
          <NumberCell
            number={row.original.channel.number}
            shown={() => table.getRowModel().rows.map((each) => each.original.channel.number)}
          />
        ),
      }),
      column.accessor((light) => light.channel.label ?? "", {
        id: "label",
        header: "label",
        cell: ({ row: { original }, getValue }) => (
          <CellField
            label={`Label of ${original.channel.number}`}
            value={getValue()}
            onTake={(label) => set(without({ ...original.channel, label }, label === "" ? "label" : undefined))}
          />
        ),
      }),
      column.accessor("typeName", {
        id: "type",
        header: "type",
        cell: ({ row: { original } }) => <TypeCell channel={original.channel} types={types} onTake={set} />,
      }),
      column.accessor(({ channel: { patch } }) => (patch ? patch.universe * 1000 + patch.address : Infinity), {
        id: "patch",
        header: "patch",
        cell: ({ row: { original } }) => (
          <CellField
            label={`Patch of ${original.channel.number}`}
            value={patchWords(original.channel.patch)}
            figures
            fault={original.fault}
            check={(text) =>
              text === "" || readPatch(text) ? undefined : `"${text}" is not a patch; write universe and address such as 1.101`
            }
            onTake={(text) => patchTyped(original.channel, text, set)}
          />
        ),
      }),
      ...AXES.map(({ axis, word, title }) =>
        column.accessor(({ channel: { place } }) => place?.[axis], {
          id: axis,
          header: word,
          enableSorting: false,
          meta: { heading: "pr-2 text-right", title },
          cell: ({ row: { original }, getValue }) => (
            <CellField
              label={`${axis} of ${original.channel.number}, metres`}
              value={String(getValue() ?? "")}
              figures
              right
              check={(text) => (text === "" ? undefined : numberFault(text) && `"${text}" is not a length in metres`)}
              onTake={(text) => placeTyped(original.channel, axis, text, set)}
            />
          ),
        }),
      ),
      column.accessor("groups", {
        header: "groups",
        enableSorting: false,
        meta: { heading: "pl-4", cell: "truncate pl-4 text-[13px] text-quiet" },
        cell: ({ row: { original } }) =>
          original.fault ? (
            <span className="text-error" title={original.fault}>
              {original.fault}
            </span>
          ) : (
            original.groups
          ),
      }),
    ];
  }, [types, makeEdits]);
}

/** The number of a light, which chooses it: with Shift a row of them as they are shown, with Ctrl one more. */
function NumberCell({ number, shown }: { number: number; shown: () => readonly number[] }) {
  const isChosen = useSelection((choice) => choice.channels.includes(number));
  const choose = (event: React.MouseEvent): void => {
    if (event.ctrlKey || event.metaKey) return toggleLights([number]);
    const chosen = useSelection.getState().channels;
    const last = chosen.at(-1);
    if (!event.shiftKey || last === undefined) return chooseLights([number]);
    const rows = shown();
    const [a, b] = [rows.indexOf(last), rows.indexOf(number)];
    const span = a <= b ? rows.slice(Math.max(0, a), b + 1) : rows.slice(b, a + 1).reverse();
    chooseLights([...chosen, ...span.filter((each) => !chosen.includes(each))]);
  };
  return (
    <button
      type="button"
      className={`figures w-full px-1.5 text-left ${isChosen ? "font-bold text-secondary" : ""}`}
      title="Choose; Shift for a row of them, Ctrl for one more"
      onClick={choose}
    >
      {number}
    </button>
  );
}

function TypeCell({ channel, types, onTake }: { channel: Channel; types: readonly FixtureType[]; onTake: (channel: Channel) => void }) {
  return (
    <select
      aria-label={`Type of ${channel.number}`}
      className="w-full truncate bg-transparent px-1"
      value={channel.type}
      onChange={(event) => onTake({ ...channel, type: event.target.value })}
    >
      {types.map((type) => (
        <option key={type.id} value={type.id}>
          {type.name || type.id}
        </option>
      ))}
    </select>
  );
}

/** What comes first in a rig without lights. */
function NoLights() {
  const { id, sheet } = useShow();
  const hasTypes = sheet.show.fixtureTypes.length > 0;
  return (
    <EmptyView
      title="No light yet"
      words={
        hasTypes
          ? "Add some in the row above: from light 1 to 12, of a type, from an address such as 1.1."
          : "A light is of a type, which says what it can do. Make a type first; then lights are added here, a whole row at once."
      }
    >
      {hasTypes ? (
        <button type="button" className="btn btn-primary btn-sm" onClick={() => focusOn("first light")}>
          Add the first lights
        </button>
      ) : (
        <Link className="btn btn-primary btn-sm" to={`/show/${id}/rig/types`}>
          Make the first type
        </Link>
      )}
    </EmptyView>
  );
}

type Axis = "x" | "y" | "z";

/** The axes, what they are called over their columns, and what they measure. */
const AXES: readonly { readonly axis: Axis; readonly word: string; readonly title: string }[] = [
  { axis: "x", word: "across", title: "metres to the right, as the audience sees it" },
  { axis: "y", word: "up", title: "metres above the stage" },
  { axis: "z", word: "deep", title: "metres away from the audience, from the front edge" },
];

function patchTyped(channel: Channel, text: string, set: (channel: Channel) => void): void {
  if (text.trim() === "") return set(without(channel, "patch"));
  const patch = readPatch(text);
  if (patch) set({ ...channel, patch });
}

function placeTyped(channel: Channel, axis: Axis, text: string, set: (channel: Channel) => void): void {
  if (text.trim() === "") return set(without(channel, "place"));
  const value = readNumber(text);
  set({ ...channel, place: { x: 0, y: 6, z: 3, ...channel.place, [axis]: value } });
}

function without(channel: Channel, field: "label" | "patch" | "place" | undefined): Channel {
  return field === undefined ? channel : { ...channel, [field]: undefined };
}

function rowsOf(
  channels: readonly Channel[],
  types: readonly FixtureType[],
  groups: ReadonlyMap<number, readonly string[]>,
  faults: ReadonlyMap<number, string>,
): LightRow[] {
  const names = new Map(types.map((type) => [type.id, type.name || type.id]));
  return channels.map((channel) => ({
    channel,
    typeName: names.get(channel.type) ?? channel.type,
    groups: (groups.get(channel.number) ?? []).join(", "),
    fault: faults.get(channel.number),
  }));
}

function groupsByChannel(groups: readonly { id: string; label: string; channels: readonly number[] }[]): Map<number, string[]> {
  const found = new Map<number, string[]>();
  for (const { id, label, channels } of groups)
    for (const channel of channels) found.set(channel, [...(found.get(channel) ?? []), label || id]);
  return found;
}
