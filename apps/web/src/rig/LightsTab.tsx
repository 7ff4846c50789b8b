import { type SortingState, getCoreRowModel, getSortedRowModel, useReactTable } from "@tanstack/react-table";
import { type Channel, type FixtureType, count, patchFaults } from "@zm/core";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { useSelection } from "../choice/selection.ts";
import { EmptyView } from "../shared/EmptyView.tsx";
import { focusOn } from "../shared/focusPlaces.ts";
import { useShow } from "../show/useShow.ts";
import { BulkForm } from "./BulkForm.tsx";
import { CsvButtons } from "./CsvButtons.tsx";
import { ScrollingTable } from "./DataTable.tsx";
import { type LightRow, useLightColumns } from "./lightColumns.tsx";

const COLUMNS = "min-w-[740px] px-4 grid-cols-[44px_minmax(96px,1fr)_118px_72px_repeat(3,58px)_66px_46px_minmax(76px,1fr)]";

/** Every light of the rig, a row for each: what it is called, what it is, where it is patched and hung. */
export function LightsTab() {
  const { sheet } = useShow();
  const { show } = sheet;
  const chosen = useSelection((choice) => choice.channels);
  const faults = useMemo(() => patchFaults(sheet), [sheet]);
  const lights = useMemo(() => rowsOf(show.channels, show.fixtureTypes, groupsByChannel(show.groups), faults), [show, faults]);
  const columns = useLightColumns(show.fixtureTypes);
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
