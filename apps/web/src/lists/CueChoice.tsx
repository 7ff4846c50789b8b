import { type ListSheet, cueOrder } from "@zm/core";

interface CueChoiceProps {
  readonly list: ListSheet;
  readonly cues: { readonly first: string; readonly last: string } | null;
  readonly onChoose: (cues: { first: string; last: string }) => void;
}

/** The cues of the other show: pressing one chooses it, with Shift all up to it. */
export function CueChoice({ list, cues, onChoose }: CueChoiceProps) {
  const ends = cues && [cueOrder(cues.first), cueOrder(cues.last)].sort((a, b) => a - b);
  const isChosen = (number: string): boolean => ends !== null && cueOrder(number) >= (ends[0] ?? 0) && cueOrder(number) <= (ends[1] ?? 0);
  return (
    <div
      role="group"
      aria-label="Cues to take; with Shift up to there"
      tabIndex={0}
      className="min-h-0 flex-1 overflow-y-auto rounded border border-rule p-1"
    >
      {list.cues.map(({ number, label }) => (
        <button
          key={number}
          type="button"
          aria-pressed={isChosen(number)}
          className="block min-h-7 w-full truncate rounded px-1.5 text-left hover:bg-base-300 aria-pressed:bg-base-300 aria-pressed:font-bold"
          onClick={(event) => onChoose({ first: event.shiftKey && cues ? cues.first : number, last: number })}
        >
          <span className="figures inline-block w-12 text-right">{number}</span> {label}
        </button>
      ))}
    </div>
  );
}
