import { type Attribute, type Give, type Slot, inMode, modeAt, readOperation, slotName, toTenth, valueInMode } from "@zm/core";
import { NumberField } from "../shared/NumberField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useState } from "react";
import { spreadWords } from "./chosenKeys.ts";

interface AttributeRowProps {
  attribute: Attribute;
  values: readonly number[];
  onGive: (give: Give) => void;
  id?: string;
  onFocus?: () => void;
}

/** One attribute of the chosen lights: a slider for all of them, and a field that takes a number, a step or a fan. */
export function AttributeRow({ attribute, values, onGive, id, onFocus }: AttributeRowProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const words = spreadWords(values);
  const wrong = typed !== null && typed.trim() !== "" && readOperation(typed, attribute) === null;
  const name = attribute.name ?? attribute.id;
  const take = (): void => {
    const give = typed === null ? null : readOperation(typed, attribute);
    if (give && typed !== words) onGive(give);
    // What is no value stays, marked, until it is mended or dropped with Escape.
    if (!wrong) setTyped(null);
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <label htmlFor={id ?? `give-${attribute.id}`} className="w-14 shrink-0 truncate text-quiet" title={name}>
        {name}
      </label>
      {attribute.slots ? (
        <SlotSelect attribute={attribute} name={name} values={values} onGive={onGive} />
      ) : (
        <input
          type="range"
          aria-label={`${name}, all chosen lights`}
          min={attribute.min}
          max={attribute.max}
          step={attribute.snap ? 1 : attribute.max - attribute.min > 150 ? 1 : 0.5}
          value={values[0] ?? attribute.home}
          className="range range-xs min-w-0 flex-1 text-neutral [--range-thumb:var(--color-base-content)]"
          onFocus={onFocus}
          onChange={(event) => onGive({ set: Number(event.target.value) })}
        />
      )}
      <input
        id={id ?? `give-${attribute.id}`}
        aria-invalid={wrong}
        className="input input-sm figures w-[76px] shrink-0 bg-base-100 px-2 aria-invalid:border-error aria-invalid:text-error"
        autoComplete="off"
        placeholder={words}
        title={
          wrong
            ? "Write 70, full, out, +10, *0.8, or a fan such as 0~100; Esc drops it"
            : "70, full, out, +10, *0.8, or a fan: 15~90, 30~75~30"
        }
        value={typed ?? words}
        onFocus={(event) => {
          event.target.select();
          onFocus?.();
        }}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === "Enter") {
            take();
            event.currentTarget.select();
          }
          if (event.key === "Escape") {
            setTyped(null);
            event.stopPropagation();
            event.currentTarget.blur();
          }
        }}
      />
      {attribute.modes && <ModeRow attribute={attribute} name={name} values={values} onGive={onGive} />}
    </div>
  );
}

/** The modes of an attribute, and what its value means in the mode in which it stands, in the mode's own unit. */
function ModeRow({ attribute, name, values, onGive }: { name: string } & Pick<AttributeRowProps, "attribute" | "values" | "onGive">) {
  const [first] = values;
  const mode = first === undefined ? undefined : modeAt(attribute, first);
  return (
    <span role="group" aria-label={`Modes of ${name}`} className="ml-16 flex flex-wrap items-center gap-1">
      {attribute.modes?.map((each) => (
        <Toggle key={each.name} pressed={mode === each} onClick={() => onGive({ set: toTenth(valueInMode(each, 0)) })}>
          {each.name}
        </Toggle>
      ))}
      {mode && first !== undefined && (
        <span className="flex items-center gap-1 text-quiet">
          <span className="w-16">
            <NumberField
              label={`${name}, ${mode.name}`}
              value={toTenth(inMode(mode, first))}
              min={Math.min(mode.low ?? mode.from, mode.high ?? mode.to)}
              max={Math.max(mode.low ?? mode.from, mode.high ?? mode.to)}
              onTake={(meant) => meant !== null && onGive({ set: Math.round(valueInMode(mode, meant) * 1000) / 1000 })}
            />
          </span>
          {mode.unit}
        </span>
      )}
    </span>
  );
}

/** The slots of a wheel by their names; nothing is named where the chosen lights differ or stand between two. */
function SlotSelect({ attribute, name, values, onGive }: { name: string } & Pick<AttributeRowProps, "attribute" | "values" | "onGive">) {
  const [value, ...others] = values;
  const shared = value !== undefined && others.every((other) => other === value) ? value : undefined;
  const chosen = shared !== undefined && slotName(attribute, shared) !== undefined ? String(shared) : "";
  const slot = attribute.slots?.find((each) => String(each.value) === chosen);
  return (
    <span className="flex min-w-0 flex-1 items-center gap-1.5">
      <SlotPicture slot={slot} />
      <select
        aria-label={`${name}, all chosen lights`}
        className="select select-sm min-w-0 flex-1 bg-base-100"
        value={chosen}
        onChange={(event) => event.target.value !== "" && onGive({ set: Number(event.target.value) })}
      >
        {chosen === "" && <option value="">{shared === undefined ? "several" : "between slots"}</option>}
        {attribute.slots?.map((each) => (
          <option key={each.value} value={each.value}>
            {each.name}
          </option>
        ))}
      </select>
    </span>
  );
}

/** What stands in the light in this place of a wheel: its picture, or its colour. */
function SlotPicture({ slot }: { slot: Slot | undefined }) {
  if (slot?.picture !== undefined) return <img src={slot.picture} alt="" className="size-7 shrink-0 rounded bg-black object-contain" />;
  if (slot?.rgb !== undefined)
    return <span className="size-5 shrink-0 rounded-full border border-neutral" style={{ background: slot.rgb }} />;
  return null;
}
