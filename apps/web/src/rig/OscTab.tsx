import { secondWords } from "../shared/moments.ts";
import { oscSettings, type OscSettings, type OscState } from "@zm/protocol";
import { api } from "../show/api.ts";
import { useShow } from "../show/useShow.ts";
import { AddressField } from "./AddressField.tsx";
import { MachinesField } from "./MachinesField.tsx";
import { SettingSwitch } from "./SettingSwitch.tsx";
import { type ServerSettings, useServerSettings } from "./useServerSettings.ts";

/** What was said is read again so often; milliseconds. */
const READING = 500;

const OSC: ServerSettings<OscSettings, OscState> = {
  name: "osc",
  read: api.osc,
  write: api.setOsc,
  settingsOf: ({ on, address, show, from }) => ({ on, address, show, from }),
  changeOf: (variables) => oscSettings.partial().parse(variables),
  every: READING,
};

/** How programs outside reach the show that runs: OSC over UDP, off until it is switched on. And what they and the server have said. */
export function OscTab() {
  const { id } = useShow();
  const { state, set } = useServerSettings(OSC);
  return (
    <div className="flex h-full flex-col gap-3 overflow-y-auto p-4">
      <div className="flex flex-wrap items-center gap-4">
        <SettingSwitch state={state} onSwitch={(on) => set({ on })}>
          Listen to programs outside, by OSC
        </SettingSwitch>
        <AddressField label="At" value={state?.address ?? ""} onTake={(address) => set({ address })} />
        <MachinesField machines={state?.from ?? []} onTake={(from) => set({ from })} />
        <label className="flex items-center gap-2 text-quiet">
          they speak to
          <select
            className="select select-sm w-44 bg-base-200"
            value={state?.show === id ? "this" : state?.show == null ? "stage" : "other"}
            disabled={!state}
            onChange={(event) => set({ show: event.target.value === "this" ? id : null })}
          >
            <option value="stage">the show on stage</option>
            <option value="this">this show</option>
            {state?.show != null && state.show !== id && <option value="other">show {state.show}</option>}
          </select>
        </label>
      </div>
      {state?.fault ? (
        <p role="alert" className="text-error">
          {state.fault}
        </p>
      ) : (
        <p className="text-quiet">
          {state?.on
            ? 'UDP: /zm/go, /zm/back, /zm/hold, /zm/goto "12.5", /zm/list/ID/go and more; what fires is told with /zm/cue, refusals with /zm/error'
            : "Nobody outside is listened to until this is switched on. At 127.0.0.1 this machine alone is heard; at another address of it, the machines that are listed too"}
        </p>
      )}
      <table className="w-full max-w-4xl text-[14px]" aria-label="What was said">
        <thead>
          <tr className="text-left text-[13px] text-quiet">
            <th className="w-24 py-1 font-normal">at</th>
            <th className="w-16 font-normal">way</th>
            <th className="w-44 font-normal">who</th>
            <th className="font-normal">message</th>
          </tr>
        </thead>
        <tbody>
          {(state?.messages ?? []).map(({ at, way, who, words }, index) => (
            <tr key={`${at}/${index}`} className="border-t border-rule/60">
              <td className="figures py-1 text-quiet">{secondWords(new Date(at))}</td>
              <td>{way === "in" ? "in" : "out"}</td>
              <td className="figures text-quiet">{who}</td>
              <td className={`figures ${words.startsWith("/zm/error") ? "text-error" : ""}`}>{words}</td>
            </tr>
          ))}
          {state?.messages.length === 0 && (
            <tr>
              <td colSpan={4} className="py-2 text-quiet">
                Nothing has been said yet.
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}
