import { useQuery } from "@tanstack/react-query";
import type { OutputState } from "@zm/protocol";
import { patchedChannels } from "@zm/core";
import { useState } from "react";
import { Link } from "react-router";
import { Toggle } from "../shared/Toggle.tsx";
import { api } from "../show/api.ts";
import { useShow } from "../show/useShow.ts";
import { AddressField } from "./AddressField.tsx";
import { SettingSwitch } from "./SettingSwitch.tsx";
import { useOutput } from "./useOutput.ts";

/** What is sent is read again so often; milliseconds. */
const READING = 250;

/** How levels leave for the lights: whether, where to, and what is being sent, as a grid of numbers. */
export function OutputTab() {
  const { id, sheet } = useShow();
  const { state, set } = useOutput();
  const inUse = [...new Set(patchedChannels(sheet.show).map(({ universe }) => universe))].sort((a, b) => a - b);
  const [shown, setShown] = useState<number | null>(null);
  const universe = shown ?? inUse[0] ?? 1;
  if (inUse.length === 0)
    return (
      <p className="p-6 text-quiet">
        No light has an address yet, so there is nothing to send.{" "}
        <Link className="underline" to={`/show/${id}/rig/lights`}>
          Give the lights their addresses
        </Link>{" "}
        first.
      </p>
    );
  return (
    <div className="flex h-full flex-col gap-3 overflow-y-auto p-4">
      <div className="flex flex-wrap items-center gap-4">
        <SettingSwitch state={state} onSwitch={(on) => set({ on })}>
          Send levels to the lights
        </SettingSwitch>
        <AddressField label="To" value={state?.address ?? ""} onTake={(address) => set({ address })} />
        {state?.fault ? (
          <p role="alert" className="text-error">
            {state.fault}
          </p>
        ) : (
          <p className="text-quiet">{stateWords(state, id)}</p>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <div role="group" aria-label="Universe" className="flex gap-1">
          {inUse.map((each) => (
            <Toggle key={each} pressed={each === universe} onClick={() => setShown(each)}>
              Universe {each}
            </Toggle>
          ))}
        </div>
        {state && (
          <AddressField
            key={universe}
            label={`Universe ${universe} goes elsewhere, to`}
            value={state.universes[universe] ?? ""}
            onTake={(address) => {
              const { [String(universe)]: _gone, ...others } = state.universes;
              set({ universes: address === "" ? others : { ...others, [universe]: address } });
            }}
          />
        )}
      </div>
      <LevelGrid universe={universe} />
    </div>
  );
}

function stateWords(state: OutputState | undefined, id: number): string {
  if (!state) return "";
  if (!state.on) return "Nothing is sent until this is switched on; 127.0.0.1 is this machine alone";
  if (state.show === null) return "Nothing is sent: no show is on stage. A Go puts its show there, or the switch in Run";
  return state.show === id
    ? "The levels of this show are sent, 40 times a second while something moves"
    : `Show ${state.show} is on stage, and its levels are sent`;
}

/** What is being sent of a universe, 512 levels; addresses that no light has are dots. */
function LevelGrid({ universe }: { universe: number }) {
  const { sheet } = useShow();
  const { data } = useQuery({ queryKey: ["sent"], queryFn: api.sentLevels, refetchInterval: READING });
  const levels = data?.universes[universe];
  const taken = new Set(
    patchedChannels(sheet.show)
      .filter((each) => each.universe === universe)
      .flatMap(({ first, last }) => Array.from({ length: last - first + 1 }, (_, index) => first + index)),
  );
  return (
    <table className="figures w-fit border-separate border-spacing-x-1 text-[13px]" aria-label={`Levels of universe ${universe}`}>
      <tbody>
        {Array.from({ length: 16 }, (_, row) => (
          <tr key={row}>
            <th scope="row" className="pr-2 text-right font-normal text-quiet">
              {row * 32 + 1}
            </th>
            {Array.from({ length: 32 }, (_, column) => {
              const address = row * 32 + column + 1;
              const level = levels?.[address - 1] ?? 0;
              return (
                <td key={column} title={`Address ${address}`} className={`w-7 text-right ${level > 0 ? "text-primary" : "text-quiet"}`}>
                  {taken.has(address) ? level : "·"}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
