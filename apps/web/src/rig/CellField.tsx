import { useEffect, useRef, useState } from "react";

interface CellFieldProps {
  label: string;
  value: string;
  figures?: boolean;
  right?: boolean;
  fault?: string | undefined;
  /** Tells what is wrong with a text; undefined where it can be taken. */
  check?: (text: string) => string | undefined;
  onTake: (text: string) => void;
}

/** What is wrong with a text where a number is wanted. */
export function numberFault(text: string): string | undefined {
  return text !== "" && Number.isFinite(Number(text.replace(",", "."))) ? undefined : `"${text}" is not a number`;
}

/** A cell of a table that is written in where it stands: leaving or Enter takes it, Escape drops it, arrows go to the rows beside. What cannot be taken stays, marked. */
export function CellField({ label, value, figures = false, right = false, fault, check, onTake }: CellFieldProps) {
  const field = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string>();
  useEffect(() => {
    if (field.current && field.current !== document.activeElement && wrong === undefined) field.current.value = value;
  }, [value, wrong]);
  const leave = (input: HTMLInputElement): void => {
    const text = input.value.trim();
    if (text === value) return setWrong(undefined);
    const told = check?.(text);
    setWrong(told);
    if (told === undefined) onTake(text);
  };
  return (
    <span role="gridcell">
      <input
        ref={field}
        aria-label={label}
        aria-invalid={wrong !== undefined}
        title={wrong === undefined ? fault : `${wrong}; Esc drops it`}
        autoComplete="off"
        defaultValue={value}
        className={`h-7 w-full rounded bg-transparent px-1.5 hover:bg-base-300 focus:bg-base-100 aria-invalid:border aria-invalid:border-error aria-invalid:text-error ${figures ? "figures" : ""} ${right ? "text-right" : ""} ${fault ? "text-error underline decoration-wavy" : ""}`}
        onFocus={(event) => event.target.select()}
        onChange={() => setWrong(undefined)}
        onBlur={(event) => leave(event.target)}
        onKeyDown={(event) => {
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") {
            event.currentTarget.value = value;
            setWrong(undefined);
            event.stopPropagation();
            event.currentTarget.blur();
          }
          if (event.key === "ArrowDown" || event.key === "ArrowUp") beside(event, event.key === "ArrowDown" ? 1 : -1);
        }}
      />
    </span>
  );
}

function beside(event: React.KeyboardEvent<HTMLInputElement>, by: 1 | -1): void {
  const row = event.currentTarget.closest('[role="row"]');
  const index = Number(row?.getAttribute("aria-rowindex"));
  const column = [...(row?.querySelectorAll("input") ?? [])].indexOf(event.currentTarget);
  const next = row?.parentElement?.querySelector(`[aria-rowindex="${index + by}"]`);
  const field = next?.querySelectorAll("input")[column];
  if (!field) return;
  event.preventDefault();
  field.focus();
}
