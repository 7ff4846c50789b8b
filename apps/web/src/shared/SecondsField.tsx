import { readTime } from "@zm/core";
import { NO_TIME } from "./readSeconds.ts";
import { TakenField } from "./TakenField.tsx";
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

/** A time in seconds, taken when the field is left. */
export function SecondsField({ label, value, hint, delayed = false, onTake }: SecondsFieldProps) {
  return (
    <TakenField
      numeric
      label={label}
      shown={value === undefined ? "" : seconds(value)}
      hint={hint}
      wrongWords={NO_TIME}
      read={(text) => {
        const read = readTime(text);
        return read?.delay !== undefined && !delayed ? undefined : read;
      }}
      isSame={(read) => (read?.seconds ?? null) === (value ?? null) && read?.delay === undefined}
      onTake={(read) => onTake(read?.seconds ?? null, ...(read?.delay === undefined ? [] : [read.delay]))}
    />
  );
}
