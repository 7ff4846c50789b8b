import { plain } from "./plain.ts";
import { readNumber } from "./readNumber.ts";
import { TakenField } from "./TakenField.tsx";

interface NumberFieldProps {
  label: string;
  value: number | undefined;
  hint?: string | undefined;
  /** Called when the field is left with another number, or with null when it was emptied. */
  onTake: (value: number | null) => void;
}

/** A number above 0, taken when the field is left. */
export function NumberField({ label, value, hint, onTake }: NumberFieldProps) {
  return (
    <TakenField
      numeric
      label={label}
      shown={value === undefined ? "" : plain(value)}
      hint={hint}
      wrongWords="is no number above 0"
      read={(text) => {
        const number = readNumber(text);
        return Number.isFinite(number) && number > 0 ? number : undefined;
      }}
      isSame={(number) => number === (value ?? null)}
      onTake={onTake}
    />
  );
}
