import { useEffect, useRef } from "react";
import { NO_TIME, readSeconds } from "./readSeconds.ts";
import { seconds } from "./words.ts";

interface SecondsFieldProps {
  label: string;
  value: number | undefined;
  /** What holds where the field is empty. */
  hint?: string | undefined;
  /** Called with the time when the field is left, with null when it was emptied. */
  onTake: (value: number | null) => void;
}

/**
 * A time in seconds, taken when the field is left. What is no time is told: on its own the field then shows again what holds,
 * in a form it keeps what was typed and holds the form back.
 */
export function SecondsField({ label, value, hint, onTake }: SecondsFieldProps) {
  const field = useRef<HTMLInputElement>(null);
  const shown = value === undefined ? "" : seconds(value);
  useEffect(() => {
    if (field.current) field.current.value = shown;
  }, [shown]);
  const leave = (input: HTMLInputElement): void => {
    const read = readSeconds(input.value);
    if (read === undefined && input.form) input.setCustomValidity(`This ${NO_TIME}`);
    else if (read === undefined || read === (value ?? null)) input.value = shown;
    else onTake(read);
  };
  return (
    <input
      ref={field}
      aria-label={label}
      inputMode="decimal"
      autoComplete="off"
      className="input input-sm figures h-7 w-full min-w-12 bg-base-100 px-2 invalid:border-error"
      placeholder={hint}
      defaultValue={shown}
      onChange={(event) => event.target.setCustomValidity("")}
      onKeyDown={(event) => {
        if (event.currentTarget.form) return;
        if (event.key === "Escape") event.currentTarget.value = shown;
        if (event.key === "Enter" || event.key === "Escape") event.currentTarget.blur();
      }}
      onBlur={(event) => leave(event.target)}
    />
  );
}
