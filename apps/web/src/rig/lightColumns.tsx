import { createColumnHelper } from "@tanstack/react-table";
import { type Channel, type FixtureType, patchWords, readPatches } from "@zm/core";
import { useMemo, useState } from "react";
import { chooseLights, toggleLights, useSelection } from "../choice/selection.ts";
import { readNumber } from "../shared/readNumber.ts";
import { useMakeEditsInTurn } from "../show/useShow.ts";
import { CellField, numberFault } from "./CellField.tsx";

/** One light as the table shows it. */
export interface LightRow {
  readonly channel: Channel;
  readonly typeName: string;
  readonly groups: string;
  /** What is wrong with its patch, if anything is. */
  readonly fault: string | undefined;
}

/** Changes one light as it stands when the change comes to its turn. */
type SetLight = (number: number, change: (channel: Channel) => Channel) => Promise<boolean>;

const column = createColumnHelper<LightRow>();

/** The columns of the table of lights. */
export function useLightColumns(types: readonly FixtureType[]) {
  const makeEdits = useMakeEditsInTurn();
  return useMemo(() => {
    // Read off the show in its turn: what was typed into another field of the light right before counts in it.
    const set: SetLight = (number, change) =>
      makeEdits(({ show }) => {
        const standing = show.channels.find((channel) => channel.number === number);
        return standing ? [{ op: "setChannel", channel: change(standing) }] : [];
      });
    return [...nameColumns(types, set), patchColumn(set), ...placeColumns(set), turnColumn(set), staysColumn(set), groupsColumn()];
  }, [types, makeEdits]);
}

/** What a light is: its number, label and type. */
function nameColumns(types: readonly FixtureType[], set: SetLight) {
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
          onTake={(label) =>
            void set(original.channel.number, (channel) => without({ ...channel, label }, label === "" ? "label" : undefined))
          }
        />
      ),
    }),
    column.accessor("typeName", {
      id: "type",
      header: "type",
      cell: ({ row: { original } }) => (
        <TypeCell
          channel={original.channel}
          types={types}
          onTake={(type) => void set(original.channel.number, (channel) => ({ ...channel, type }))}
        />
      ),
    }),
  ];
}

/** Where a light is patched. */
function patchColumn(set: SetLight) {
  return column.accessor(({ channel: { patch } }) => (patch ? patch.universe * 1000 + patch.address : Infinity), {
    id: "patch",
    header: "patch",
    cell: ({ row: { original } }) => (
      <CellField
        label={`Patch of ${original.channel.number}`}
        value={patchWords(original.channel.patch)}
        figures
        fault={original.fault}
        check={(text) =>
          text === "" || readPatches(text)
            ? undefined
            : `"${text}" is not a patch; write universe and address such as 1.101; several with commas, 2.7@80 where its level gives less`
        }
        onTake={(text) => void set(original.channel.number, (channel) => patchTyped(channel, text))}
      />
    ),
  });
}

/** Where a light hangs, a column for each axis. */
function placeColumns(set: SetLight) {
  return AXES.map(({ axis, word, title }) =>
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
          onTake={(text) => void set(original.channel.number, (channel) => placeTyped(channel, axis, text))}
        />
      ),
    }),
  );
}

/** How a light hangs that does not hang straight: degrees around the three axes. */
function turnColumn(set: SetLight) {
  return column.accessor(({ channel: { place } }) => turnText(place?.turn), {
    id: "turn",
    header: "turned",
    enableSorting: false,
    meta: { heading: "pr-2 text-right", title: "how it hangs: degrees around across, up and deep, such as -60 0 0; empty: straight down" },
    cell: ({ row: { original }, getValue }) => (
      <CellField
        label={`Turn of ${original.channel.number}, degrees`}
        value={getValue()}
        figures
        right
        check={(text) => (text.trim() === "" || readTurn(text) ? undefined : `"${text}" is no turn; write three angles such as -60 0 0`)}
        onTake={(text) => void set(original.channel.number, (channel) => turnTyped(channel, readTurn(text)))}
      />
    ),
  });
}

type Turn = NonNullable<NonNullable<Channel["place"]>["turn"]>;

function turnText(turn: Turn | undefined): string {
  return turn ? `${turn.x} ${turn.y} ${turn.z}` : "";
}

/** Three angles; undefined for what is none. */
function readTurn(text: string): Turn | undefined {
  const [x = Number.NaN, y = Number.NaN, z = Number.NaN, ...more] = text
    .trim()
    .split(/[\s;]+/)
    .map(readNumber);
  return more.length === 0 && [x, y, z].every((angle) => Math.abs(angle) <= 360) ? { x, y, z } : undefined;
}

function turnTyped(channel: Channel, turn: Turn | undefined): Channel {
  const { turn: _turn, ...place } = channel.place ?? { x: 0, y: 6, z: 3 };
  const isStraight = !turn || (turn.x === 0 && turn.y === 0 && turn.z === 0);
  return isStraight && !channel.place ? channel : { ...channel, place: isStraight ? place : { ...place, turn } };
}

/** Whether a light stays as it is when everything else is put out. */
function staysColumn(set: SetLight) {
  return column.accessor(({ channel: { house } }) => (house ? 0 : 1), {
    id: "stays",
    header: "stays",
    meta: { title: "It stays as it is when everything else is put out: house lights, exit signs" },
    cell: ({ row: { original } }) => (
      <StaysCell
        channel={original.channel}
        onTake={(stays) => set(original.channel.number, (channel) => (stays ? { ...channel, house: true } : without(channel, "house")))}
      />
    ),
  });
}

/** The groups that a light is in, or what is wrong with its patch. */
function groupsColumn() {
  return column.accessor("groups", {
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
  });
}
/** Whether a light stays; what was pressed is shown at once, and what holds again where that is refused. */
function StaysCell({ channel, onTake }: { channel: Channel; onTake: (stays: boolean) => Promise<boolean> }) {
  const [wanted, setWanted] = useState<boolean | null>(null);
  return (
    <input
      type="checkbox"
      className="checkbox checkbox-sm ml-2"
      aria-label={`${channel.number} stays when everything is put out`}
      checked={wanted ?? channel.house === true}
      onChange={(event) => {
        setWanted(event.target.checked);
        void onTake(event.target.checked).finally(() => setWanted(null));
      }}
    />
  );
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

function TypeCell({ channel, types, onTake }: { channel: Channel; types: readonly FixtureType[]; onTake: (type: string) => void }) {
  return (
    <select
      aria-label={`Type of ${channel.number}`}
      className="w-full truncate bg-transparent px-1"
      value={channel.type}
      onChange={(event) => onTake(event.target.value)}
    >
      {types.map((type) => (
        <option key={type.id} value={type.id}>
          {type.name || type.id}
        </option>
      ))}
    </select>
  );
}

type Axis = "x" | "y" | "z";

/** The axes, what they are called over their columns, and what they measure. */
const AXES: readonly { readonly axis: Axis; readonly word: string; readonly title: string }[] = [
  { axis: "x", word: "across", title: "metres to the right, as the audience sees it" },
  { axis: "y", word: "up", title: "metres above the stage" },
  { axis: "z", word: "deep", title: "metres away from the audience, from the front edge" },
];

function patchTyped(channel: Channel, text: string): Channel {
  if (text.trim() === "") return without(channel, "patch");
  const patch = readPatches(text);
  return patch ? { ...channel, patch } : channel;
}

function placeTyped(channel: Channel, axis: Axis, text: string): Channel {
  if (text.trim() === "") return without(channel, "place");
  const value = readNumber(text);
  return { ...channel, place: { x: 0, y: 6, z: 3, ...channel.place, [axis]: value } };
}

function without(channel: Channel, field: "label" | "patch" | "place" | "house" | undefined): Channel {
  return field === undefined ? channel : { ...channel, [field]: undefined };
}
