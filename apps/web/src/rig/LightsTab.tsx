import { useVirtualizer } from "@tanstack/react-virtual";
import { type Channel, count, patchFaults, patchWords, readPatch } from "@zm/core";
import { useMemo, useRef } from "react";
import { chooseLights, toggleLights, useChoice } from "../choice/choice.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { Link } from "react-router";
import { EmptyView } from "../shared/EmptyView.tsx";
import { BulkForm } from "./BulkForm.tsx";
import { CellField, numberFault } from "./CellField.tsx";
import { RigTable } from "./RigTable.tsx";

const COLUMNS = "grid-cols-[52px_minmax(110px,1fr)_128px_74px_repeat(3,58px)_minmax(90px,1fr)]";

/** Every light of the rig, a row for each: what it is called, what it is, where it is patched and hung. */
export function LightsTab() {
  const { sheet } = useShow();
  const { show } = sheet;
  const makeEdits = useMakeEdits();
  const chosen = useChoice((choice) => choice.channels);
  const scroller = useRef<HTMLDivElement>(null);
  const faults = useMemo(() => patchFaults(sheet), [sheet]);
  const groups = useMemo(() => groupsByChannel(show.groups), [show.groups]);
  const rows = useVirtualizer({
    count: show.channels.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 28,
    overscan: 8,
    scrollPaddingStart: 32,
  });

  const set = (channel: Channel): void => void makeEdits([{ op: "setChannel", channel }]);
  const choose = (event: React.MouseEvent, number: number): void => {
    if (event.ctrlKey || event.metaKey) return toggleLights([number]);
    const last = chosen.at(-1);
    if (!event.shiftKey || last === undefined) return chooseLights([number]);
    const numbers = show.channels.map((each) => each.number);
    const [a, b] = [numbers.indexOf(last), numbers.indexOf(number)];
    const span = a <= b ? numbers.slice(a, b + 1) : numbers.slice(b, a + 1).reverse();
    chooseLights([...chosen, ...span.filter((each) => !chosen.includes(each))]);
  };
  return (
    <div className="flex h-full flex-col">
      <BulkForm />
      <div className="flex h-8 shrink-0 items-center gap-3 border-y border-rule px-4 text-[13px]">
        <span className={faults.size > 0 ? "text-error" : "text-quiet"}>
          {faults.size === 0 ? "No patch clash" : `${count(faults.size, "light")} with a patch that clashes`}
        </span>
        <span className="flex-1" />
        <RigTable />
      </div>
      <div ref={scroller} role="grid" aria-label="Lights" aria-rowcount={show.channels.length + 1} className="min-h-0 flex-1 overflow-auto">
        <div
          role="row"
          className={`sticky top-0 z-10 grid h-8 min-w-[660px] items-center border-b border-rule bg-base-100 px-4 text-[13px] text-quiet ${COLUMNS}`}
        >
          {["light", "label", "type", "patch", "x", "y", "z", "groups"].map((name) => (
            <span
              key={name}
              role="columnheader"
              className={name.length === 1 ? "pr-2 text-right" : name === "groups" ? "pl-4" : "px-1.5"}
              title={name.length === 1 ? PLACE[name] : undefined}
            >
              {AXES[name] ?? name}
            </span>
          ))}
        </div>
        {show.channels.length === 0 && <NoLights />}
        <div className="relative" style={{ height: rows.getTotalSize() }}>
          {rows.getVirtualItems().map((item) => {
            const channel = show.channels[item.index];
            if (!channel) return null;
            const fault = faults.get(channel.number);
            const isChosen = chosen.includes(channel.number);
            return (
              <div
                key={channel.number}
                role="row"
                aria-rowindex={item.index + 2}
                aria-selected={isChosen}
                className={`absolute left-0 grid h-7 w-full min-w-[660px] items-center border-b border-rule/50 px-4 ${COLUMNS} ${isChosen ? "bg-base-300" : ""}`}
                style={{ top: item.start }}
              >
                <span role="rowheader">
                  <button
                    type="button"
                    className={`figures w-full px-1.5 text-left ${isChosen ? "font-bold text-secondary" : ""}`}
                    title="Choose; Shift for a row of them, Ctrl for one more"
                    onClick={(event) => choose(event, channel.number)}
                  >
                    {channel.number}
                  </button>
                </span>
                <CellField
                  label={`Label of ${channel.number}`}
                  value={channel.label ?? ""}
                  onTake={(label) => set(without({ ...channel, label }, label === "" ? "label" : undefined))}
                />
                <span role="gridcell">
                  <select
                    aria-label={`Type of ${channel.number}`}
                    className="w-full truncate bg-transparent px-1"
                    value={channel.type}
                    onChange={(event) => set({ ...channel, type: event.target.value })}
                  >
                    {show.fixtureTypes.map((type) => (
                      <option key={type.id} value={type.id}>
                        {type.name || type.id}
                      </option>
                    ))}
                  </select>
                </span>
                <CellField
                  label={`Patch of ${channel.number}`}
                  value={patchWords(channel.patch)}
                  figures
                  fault={fault}
                  check={(text) =>
                    text === "" || readPatch(text) ? undefined : `"${text}" is not a patch; write universe and address such as 1.101`
                  }
                  onTake={(text) => takePatch(channel, text, set)}
                />
                {(["x", "y", "z"] as const).map((axis) => (
                  <CellField
                    key={axis}
                    label={`${axis} of ${channel.number}, metres`}
                    value={channel.place ? String(channel.place[axis]) : ""}
                    figures
                    right
                    check={(text) => (text === "" ? undefined : numberFault(text) && `"${text}" is not a length in metres`)}
                    onTake={(text) => takePlace(channel, axis, text, set)}
                  />
                ))}
                <span role="gridcell" className={`truncate pl-4 text-[13px] ${fault ? "text-error" : "text-quiet"}`} title={fault}>
                  {fault ?? groups.get(channel.number)?.join(", ")}
                </span>
              </div>
            );
          })}
        </div>
      </div>
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
        <button type="button" className="btn btn-primary btn-sm" onClick={() => document.getElementById("first-light")?.focus()}>
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

/** What the axes are called over their columns. */
const AXES: Readonly<Record<string, string>> = { x: "across", y: "up", z: "deep" };

const PLACE: Readonly<Record<string, string>> = {
  x: "metres to the right, as the audience sees it",
  y: "metres above the stage",
  z: "metres away from the audience, from the front edge",
};

function takePatch(channel: Channel, text: string, set: (channel: Channel) => void): void {
  if (text.trim() === "") return set(without(channel, "patch"));
  const patch = readPatch(text);
  if (patch) set({ ...channel, patch });
}

function takePlace(channel: Channel, axis: "x" | "y" | "z", text: string, set: (channel: Channel) => void): void {
  if (text.trim() === "") return set(without(channel, "place"));
  const value = Number(text.replace(",", "."));
  set({ ...channel, place: { x: 0, y: 6, z: 3, ...channel.place, [axis]: value } });
}

function without(channel: Channel, field: "label" | "patch" | "place" | undefined): Channel {
  return field === undefined ? channel : { ...channel, [field]: undefined };
}

function groupsByChannel(groups: readonly { id: string; label: string; channels: readonly number[] }[]): Map<number, string[]> {
  const found = new Map<number, string[]>();
  for (const { id, label, channels } of groups)
    for (const channel of channels) found.set(channel, [...(found.get(channel) ?? []), label || id]);
  return found;
}
