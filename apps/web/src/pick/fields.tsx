import { Toggle } from "../shared/Toggle.tsx";

/** One question of a picker with its answers. */
export function Question({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="flex gap-2" role="group" aria-label={name}>
      <span className="w-28 shrink-0 pt-1 text-[13px] text-quiet">{name}</span>
      <div className="flex min-w-0 flex-1 flex-wrap items-center gap-1">{children}</div>
    </div>
  );
}

interface AnswersProps<T extends string> {
  name: string;
  value: T;
  answers: readonly (readonly [T, string, string?])[];
  onTake: (value: T) => void;
}

/** A question with a few answers, of which one holds. */
export function Answers<T extends string>({ name, value, answers, onTake }: AnswersProps<T>) {
  return (
    <Question name={name}>
      {answers.map(([each, words, title]) => (
        <Toggle key={each} pressed={value === each} title={title} onClick={() => onTake(each)}>
          {words}
        </Toggle>
      ))}
    </Question>
  );
}

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

/** The cues that a picker speaks of, changed where they stand. */
export function CuesAnswer({ cues, onTake }: { cues: { from: string; to: string }; onTake: (cues: { from: string; to: string }) => void }) {
  return (
    <Question name="in cues">
      <span className="flex items-center gap-1.5 text-quiet">
        <TextAnswer label="from cue" value={cues.from} onTake={(from) => onTake({ from, to: cues.to })} />
        to
        <TextAnswer label="to cue" value={cues.to} onTake={(to) => onTake({ from: cues.from, to })} />
      </span>
    </Question>
  );
}
