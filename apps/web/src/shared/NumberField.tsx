import { writeValue } from "@zm/core";
import { type NumberBounds, notInWords, readNumberIn } from "./readNumber.ts";
import { TakenField } from "./TakenField.tsx";

interface NumberFieldProps extends NumberBounds {
  label: string;
  value: number | undefined;
  hint?: string | undefined;
  /** Called when the field is left with another number, or with null when it was emptied. */
  onTake: (value: number | null) => void;
}

/** A number between its ends, taken when the field is left. */
export function NumberField({ label, value, hint, onTake, ...bounds }: NumberFieldProps) {
  return (
    <TakenField
      numeric
      label={label}
      shown={value === undefined ? "" : writeValue(value)}
      hint={hint}
      wrongWords={notInWords(bounds)}
      read={(text) => readNumberIn(text, bounds)}
      isSame={(number) => number === (value ?? null)}
      onTake={onTake}
    />
  );
}
