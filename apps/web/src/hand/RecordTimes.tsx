import type { FamilyTimes, PartTimes } from "@zm/core";
import { SecondsField } from "../shared/SecondsField.tsx";

const PLAIN = [
  { name: "up", fade: "up", delay: "upDelay" },
  { name: "down", fade: "down", delay: "downDelay" },
] as const;
const FAMILIES = ["position", "colour", "beam"] as const;

interface RecordTimesProps {
  times: PartTimes;
  /** What the part that is recorded into has now. */
  stored: PartTimes | undefined;
  onChange: (times: PartTimes) => void;
}

/** The times that a record gives its part: up, down and the families across, their delays below. An empty field gives none. */
export function RecordTimes({ times, stored, onChange }: RecordTimesProps) {
  const setFamily = (family: (typeof FAMILIES)[number], change: FamilyTimes): void =>
    onChange({ ...times, [family]: { ...times[family], ...change } });
  return (
    <div role="group" aria-label="Times of the cue" className="grid grid-cols-[2.6rem_repeat(5,1fr)] items-center gap-x-1.5 gap-y-1">
      <span />
      {["up", "down", ...FAMILIES].map((word) => (
        <span key={word} className="text-[13px] text-quiet">
          {word}
        </span>
      ))}
      <span className="text-[13px] text-quiet">time</span>
      {PLAIN.map(({ name, fade }) => (
        <SecondsField
          key={name}
          label={`${name}, seconds`}
          value={times[fade]}
          hint={hintOf(stored?.[fade])}
          onTake={(value) => onChange({ ...times, [fade]: value ?? undefined })}
        />
      ))}
      {FAMILIES.map((family) => (
        <SecondsField
          key={family}
          label={`${family}, seconds`}
          value={times[family]?.fade}
          hint={hintOf(stored?.[family]?.fade)}
          onTake={(value) => setFamily(family, { fade: value ?? undefined })}
        />
      ))}
      <span className="text-[13px] text-quiet">delay</span>
      {PLAIN.map(({ name, delay }) => (
        <SecondsField
          key={name}
          label={`${name} delay, seconds`}
          value={times[delay]}
          hint={hintOf(stored?.[delay])}
          onTake={(value) => onChange({ ...times, [delay]: value ?? undefined })}
        />
      ))}
      {FAMILIES.map((family) => (
        <SecondsField
          key={family}
          label={`${family} delay, seconds`}
          value={times[family]?.delay}
          hint={hintOf(stored?.[family]?.delay)}
          onTake={(value) => setFamily(family, { delay: value ?? undefined })}
        />
      ))}
    </div>
  );
}

function hintOf(stored: number | undefined): string | undefined {
  return stored === undefined ? undefined : String(stored);
}
