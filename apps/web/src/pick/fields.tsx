import { Toggle } from "../shared/Toggle.tsx";
import { Question } from "../shared/Question.tsx";

interface TextAnswerProps {
  label: string;
  value: string;
  placeholder?: string;
  onTake: (text: string) => void;
  autoFocus?: boolean;
}

/** A text that is considered with every letter. */
export function TextAnswer({ label, value, placeholder = "", onTake, autoFocus = false }: TextAnswerProps) {
  return (
    <input
      aria-label={label}
      placeholder={placeholder}
      autoComplete="off"
      autoFocus={autoFocus}
      className="input input-sm figures min-w-0 flex-1 bg-base-100 px-2"
      value={value}
      onChange={(event) => onTake(event.target.value)}
    />
  );
}

interface CuesAnswerProps {
  cues: { from: string; to: string };
  onTake: (cues: { from: string; to: string }) => void;
  /** Whether it speaks of every list and held look, where a picker can. */
  everywhere?: boolean;
  onEverywhere?: (everywhere: boolean) => void;
}

/** The cues that a picker speaks of, changed where they stand; or every list and held look. */
export function CuesAnswer({ cues, onTake, everywhere = false, onEverywhere }: CuesAnswerProps) {
  return (
    <Question wide name={everywhere ? "in" : "in cues"}>
      {!everywhere && (
        <span className="flex items-center gap-1.5 text-quiet">
          <TextAnswer label="from cue" value={cues.from} onTake={(from) => onTake({ from, to: cues.to })} />
          to
          <TextAnswer label="to cue" value={cues.to} onTake={(to) => onTake({ from: cues.from, to })} />
        </span>
      )}
      {onEverywhere && (
        <Toggle pressed={everywhere} onClick={() => onEverywhere(!everywhere)}>
          all lists and held looks
        </Toggle>
      )}
    </Question>
  );
}
