import { useEffect, useRef, useState } from "react";
import { useMergedRefs } from "../shared/useMergedRefs.ts";
import { readNumber } from "../shared/readNumber.ts";
import { useTableCell } from "./tableCells.ts";

interface CellFieldProps {
  label: string;
  value: string;
  figures?: boolean;
  right?: boolean;
  fault?: string | undefined;
  /** The id of a datalist with what may be meant. */
  offered?: string;
  /** Tells what is wrong with a text; undefined where it can be taken. */
  check?: (text: string) => string | undefined;
  onTake: (text: string) => void;
}

/** What is wrong with a text where a number is wanted. */
export function numberFault(text: string): string | undefined {
  return Number.isFinite(readNumber(text)) ? undefined : `"${text}" is not a number`;
}

/** A field in a cell of a table, written in where it stands: leaving or Enter takes it, Escape drops it, arrows go to the rows beside. What cannot be taken stays, marked. */
export function CellField({ label, value, figures = false, right = false, fault, offered, check, onTake }: CellFieldProps) {
  const field = useRef<HTMLInputElement>(null);
  const { ref: cellRef, focusBeside } = useTableCell();
  const ref = useMergedRefs(field, cellRef);
  const [wrong, setWrong] = useState<string>();
  useEffect(() => {
    if (field.current && field.current !== document.activeElement && wrong === undefined) field.current.value = value;
  }, [value, wrong]);
  const leave = (input: HTMLInputElement): void => {
    const text = input.value.trim();
    if (text === value) return setWrong(undefined);
    const refusal = check?.(text);
    setWrong(refusal);
    if (refusal === undefined) onTake(text);
  };
  return (
    <input
      ref={ref}
      aria-label={label}
      aria-invalid={wrong !== undefined}
      title={wrong === undefined ? fault : `${wrong}; Esc drops it`}
      autoComplete="off"
      list={offered}
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
        const by = event.key === "ArrowDown" ? 1 : event.key === "ArrowUp" ? -1 : 0;
        if (by !== 0 && focusBeside(by)) event.preventDefault();
      }}
    />
  );
}
