import { Toggle } from "./Toggle.tsx";

interface QuestionProps {
  /** The words in front of the answers. */
  name: string;
  /** Names a row that has no words in front of it. */
  label?: string;
  /** Room for longer words. */
  wide?: boolean;
  children: React.ReactNode;
}

/** One question of a drawer with its answers. */
export function Question({ name, label = name, wide = false, children }: QuestionProps) {
  return (
    <div className="flex gap-2" role="group" aria-label={label}>
      <span className={`shrink-0 text-[13px] text-quiet ${wide ? "w-28 pt-1" : "w-20 pt-0.5"}`}>{name}</span>
      <div className="flex min-w-0 flex-1 flex-wrap items-center gap-1">{children}</div>
    </div>
  );
}

interface AnswersProps<T extends string> extends Omit<QuestionProps, "children"> {
  value: T;
  /** What each stands for, in words, and what more is to be known of it. */
  answers: readonly (readonly [T, string, string?])[];
  onTake: (value: T) => void;
}

/** A question with a few answers, of which one holds. */
export function Answers<T extends string>({ value, answers, onTake, ...question }: AnswersProps<T>) {
  return (
    <Question {...question}>
      {answers.map(([each, words, title]) => (
        <Toggle key={each} pressed={value === each} title={title} onClick={() => onTake(each)}>
          {words}
        </Toggle>
      ))}
    </Question>
  );
}
