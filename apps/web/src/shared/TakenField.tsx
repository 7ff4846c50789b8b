import { useEffect, useRef, useState } from "react";
import { notify } from "./notices.ts";
import { useTakenWhenGone } from "./useTakenWhenGone.ts";

interface TakenFieldProps<T> {
  label: string;
  /** What holds, as it is written. */
  shown: string;
  /** What holds where the field is empty. */
  hint?: string | undefined;
  /** Reads what was typed; undefined for what cannot be taken, null for an emptied field. */
  read: (text: string) => T | null | undefined;
  /** What is said of a text that cannot be taken. */
  wrongWords: string;
  /** True where what was typed says the same as what holds: then that is shown again as it is written. */
  isSame: (value: T | null) => boolean;
  /** Called when the field is left with something else. */
  onTake: (value: T | null) => void;
  numeric?: boolean;
}

/**
 * A field that is taken when it is left. What cannot be read stays in it, marked, until it is mended or dropped with Escape; in a form it
 * holds the form back.
 */
export function TakenField<T>({ label, shown, hint, read, wrongWords, isSame, onTake, numeric = false }: TakenFieldProps<T>) {
  const field = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState(false);
  useEffect(() => {
    // What somebody is typing, or has typed wrongly, is not replaced by what holds.
    if (field.current && field.current !== document.activeElement && !wrong) field.current.value = shown;
  }, [shown, wrong]);
  const mark = (input: HTMLInputElement, isWrong: boolean): void => {
    setWrong(isWrong);
    input.setCustomValidity(isWrong ? `This ${wrongWords}` : "");
  };
  const typedValue = (typed: string): { value: T | null | undefined; isShown: boolean } => {
    const text = typed.trim();
    const value = text === "" ? null : read(text);
    return { value, isShown: value !== undefined && (text === shown || isSame(value)) };
  };
  const waits = useTakenWhenGone((typed) => {
    const { value, isShown } = typedValue(typed);
    if (value === undefined) notify(`${label}: “${typed.trim()}” ${wrongWords}; it was not taken`, "trouble");
    else if (!isShown) onTake(value);
  });
  const leave = (input: HTMLInputElement): void => {
    waits(null);
    const { value, isShown } = typedValue(input.value);
    mark(input, value === undefined);
    if (isShown) input.value = shown;
    else if (value !== undefined) onTake(value);
  };
  return (
    <input
      ref={field}
      aria-label={label}
      aria-invalid={wrong}
      title={wrong ? `This ${wrongWords}; Esc drops it` : undefined}
      inputMode={numeric ? "decimal" : "text"}
      autoComplete="off"
      className={`input input-sm h-7 w-full min-w-12 bg-base-100 px-2 aria-invalid:border-error aria-invalid:text-error ${numeric ? "figures" : ""}`}
      placeholder={hint}
      defaultValue={shown}
      onChange={(event) => {
        mark(event.target, false);
        waits(event.target.value);
      }}
      onKeyDown={(event) => {
        if (event.key === "Escape" && (wrong || event.currentTarget.value !== shown)) {
          event.currentTarget.value = shown;
          waits(null);
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
