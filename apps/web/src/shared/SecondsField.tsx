import { readTime } from "@zm/core";
import { useEffect, useRef, useState } from "react";
import { NO_TIME } from "./readSeconds.ts";
import { seconds } from "./words.ts";

interface SecondsFieldProps {
  label: string;
  value: number | undefined;
  /** What holds where the field is empty. */
  hint?: string | undefined;
  /** A delay may be written behind the time, as in 2+1. */
  delayed?: boolean;
  /** Called when the field is left: with the time, or null when it was emptied, and with the delay where one was written. */
  onTake: (value: number | null, delay?: number) => void;
}

/**
 * A time in seconds, taken when the field is left. What is no time stays in the field, marked, until it is mended or dropped with
 * Escape; in a form it holds the form back.
 */
export function SecondsField({ label, value, hint, delayed = false, onTake }: SecondsFieldProps) {
  const field = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState(false);
  const shown = value === undefined ? "" : seconds(value);
  useEffect(() => {
    // What somebody is typing, or has typed wrongly, is not replaced by what holds.
    if (field.current && field.current !== document.activeElement && !wrong) field.current.value = shown;
  }, [shown, wrong]);
  const mark = (input: HTMLInputElement, isWrong: boolean): void => {
    setWrong(isWrong);
    input.setCustomValidity(isWrong ? `This ${NO_TIME}` : "");
  };
  const leave = (input: HTMLInputElement): void => {
    const text = input.value.trim();
    const read = text === "" ? null : readTime(text);
    const isWrong = read === undefined || (read?.delay !== undefined && !delayed);
    mark(input, isWrong);
    if (isWrong) return;
    const next = read?.seconds ?? null;
    if (next === (value ?? null) && read?.delay === undefined) input.value = shown;
    else onTake(next, ...(read?.delay === undefined ? [] : [read.delay]));
  };
  return (
    <input
      ref={field}
      aria-label={label}
      aria-invalid={wrong}
      title={wrong ? `This ${NO_TIME}; Esc drops it` : undefined}
      inputMode="decimal"
      autoComplete="off"
      className="input input-sm figures h-7 w-full min-w-12 bg-base-100 px-2 aria-invalid:border-error aria-invalid:text-error"
      placeholder={hint}
      defaultValue={shown}
      onChange={(event) => mark(event.target, false)}
      onKeyDown={(event) => {
        if (event.key === "Escape" && (wrong || event.currentTarget.value !== shown)) {
          event.currentTarget.value = shown;
          mark(event.currentTarget, false);
          event.stopPropagation();
        }
        if (event.currentTarget.form) return;
        if (event.key === "Enter" || event.key === "Escape") event.currentTarget.blur();
      }}
      onBlur={(event) => leave(event.target)}
    />
  );
}
