import { type HeldLook, type MoveSpec, type Moves, ShowError, lightsNamed, listOf, readLine } from "@zm/core";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { notify } from "../shared/notices.ts";
import { Modal } from "../shared/Modal.tsx";
import { ModalHead } from "../shared/ModalHead.tsx";
import { NumberField } from "../shared/NumberField.tsx";
import { useMakeEditsInTurn, useShow } from "../show/useShow.ts";

/** The values of a held look as a list: light by light, changed where they stand, taken out, and more laid into it by a line. */
export function LookValuesDialog({ look: id, onClose }: { look: string; onClose: () => void }) {
  const { sheet } = useShow();
  const look = sheet.show.heldLooks?.find((each) => each.id === id);
  const makeInTurn = useMakeEditsInTurn();
  const change = (next: (values: Moves) => Moves): void =>
    void makeInTurn(({ show }) => {
      const standing = show.heldLooks?.find((each) => each.id === id);
      return standing ? [{ op: "setHeldLook", look: { ...standing, values: next(standing.values) } }] : [];
    });
  const set = (channel: string, attribute: string, spec: MoveSpec | null): void =>
    change((values) => {
      const { [attribute]: _gone, ...others } = values[channel] ?? {};
      const own = spec === null ? others : { ...values[channel], [attribute]: spec };
      const { [channel]: _light, ...rest } = values;
      return Object.keys(own).length > 0 ? { ...values, [channel]: own } : rest;
    });
  if (!look) return null;
  const lights = Object.entries(look.values);
  return (
    <Modal label={`Values of ${look.label || look.id}`} onClose={onClose} className="flex max-h-[560px] w-[34rem] flex-col gap-2 p-4">
      <ModalHead name={`Values of ${look.label || look.id}`} />
      <ul className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} aria-label="Lights of the held look">
        {lights.map(([channel, own]) => (
          <li key={channel} className="flex items-start gap-2 border-b border-rule/60 py-1">
            <span className="figures w-12 shrink-0 pt-1 text-right font-bold">{channel}</span>
            <span className="flex min-w-0 flex-1 flex-wrap gap-2">
              {Object.entries(own).map(([attribute, spec]) => (
                <LookValue
                  key={attribute}
                  channel={channel}
                  attribute={attribute}
                  spec={spec}
                  onSet={(next) => set(channel, attribute, next)}
                />
              ))}
            </span>
          </li>
        ))}
        {lights.length === 0 && <li className="text-quiet">It holds nothing yet. Lay something into it below.</li>}
      </ul>
      <LayInto look={look} />
    </Modal>
  );
}

interface LookValueProps {
  channel: string;
  attribute: string;
  spec: MoveSpec;
  onSet: (spec: MoveSpec | null) => void;
}

/** One value, or the palette that it follows. */
function LookValue({ channel, attribute, spec, onSet }: LookValueProps) {
  const { sheet } = useShow();
  const key = sheet.keys.byChannel.get(Number(channel))?.get(attribute);
  const number = typeof spec === "number" ? spec : spec.value;
  const palettes = sheet.show.palettes.filter(({ id }) => key !== undefined && sheet.palettes.valueFor(id, key) !== undefined);
  return (
    <span className="flex items-center gap-1 text-[13px] text-quiet">
      {attribute}
      {typeof spec !== "number" && spec.palette !== undefined ? (
        <select
          aria-label={`${channel} ${attribute}`}
          className="select select-sm h-7 bg-base-100"
          value={spec.palette}
          onChange={(event) => onSet({ palette: event.target.value })}
        >
          {palettes.map(({ id, label }) => (
            <option key={id} value={id}>
              {label || id}
            </option>
          ))}
        </select>
      ) : (
        <span className="w-16">
          <NumberField
            label={`${channel} ${attribute}`}
            value={number}
            min={key?.attribute.min ?? 0}
            max={key?.attribute.max ?? 100}
            onTake={(value) => value !== null && onSet(value)}
          />
        </span>
      )}
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square h-7 w-7"
        aria-label={`Take ${channel} ${attribute} out`}
        onClick={() => onSet(null)}
      >
        <Trash2 size={12} />
      </button>
    </span>
  );
}

/** Lays values into the look by a line: 1..6 = 40, 21 = dusk, 5 drop. */
function LayInto({ look }: { look: HeldLook }) {
  const { sheet } = useShow();
  const makeInTurn = useMakeEditsInTurn();
  const [text, setText] = useState("");
  const read = text.trim() === "" ? null : readLine(`look ${look.id}: ${text}`, { sheet, list: listOf(sheet), cues: undefined });
  const named = lightsNamed(text, sheet);
  const fault = read && "fault" in read && "fault" in named ? read.fault.message : null;
  const take = async (): Promise<void> => {
    const sent = text;
    const made = await makeInTurn((now) => {
      const again = readLine(`look ${look.id}: ${sent}`, { sheet: now, list: listOf(now), cues: undefined });
      if ("fault" in again) throw new ShowError(again.fault.message);
      return again.request.kind === "edit" ? again.request.edits : [];
    }).catch((error: unknown) => {
      if (!(error instanceof ShowError)) throw error;
      notify(error.message, "trouble");
      return false;
    });
    if (made) setText((now) => (now === sent ? "" : now));
  };
  return (
    <form
      className="flex flex-col gap-1 border-t border-rule pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (read && "request" in read) void take();
      }}
    >
      <input
        aria-label="What is laid into it"
        placeholder="1..6 = 40   or   21 = dusk   or   5 drop"
        autoComplete="off"
        className="input input-sm figures w-full bg-base-100 px-2"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {fault !== null && (
        <p role="alert" className="text-[13px] text-error">
          {fault}
        </p>
      )}
      <p className="text-[13px] text-quiet">Enter lays it in; Ctrl Z takes it back once this is closed. Typed: look {look.id}: 1..6 = 40</p>
    </form>
  );
}
