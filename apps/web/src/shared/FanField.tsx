import { useState } from "react";

interface FanFieldProps {
  label: string;
  placeholder: string;
  title: string;
  /** What stands there now, in words. */
  words: string;
  /** Reads what is typed: null for nothing, undefined for what does not read. */
  read: (text: string) => number | string | null | undefined;
  onTake: (value: number | string | null) => void;
  /** Classes for its width. */
  width?: string;
}

/** A field for a number or a fan over the chosen lights. Enter or leaving it takes what is typed; what does not read stays, marked; Escape drops it. */
export function FanField({ label, placeholder, title, words, read, onTake, width = "w-[70px] shrink-0" }: FanFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const value = read(typed ?? "");
  const wrong = value === undefined;
  const take = (): void => {
    if (typed !== null && value !== undefined && typed.trim() !== words) onTake(value);
    if (!wrong) setTyped(null);
  };
  return (
    <input
      aria-label={label}
      placeholder={placeholder}
      title={title}
      autoComplete="off"
      aria-invalid={wrong}
      className={`input input-sm figures bg-base-100 px-2 aria-invalid:border-error aria-invalid:text-error ${width}`}
      value={typed ?? words}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === "Enter") take();
        if (event.key === "Escape") {
          setTyped(null);
          event.stopPropagation();
          event.currentTarget.blur();
        }
      }}
    />
  );
}
