interface SelectFieldProps {
  label: string;
  value: string;
  /** What each stands for, in words. */
  options: readonly (readonly [string, string])[];
  onTake: (value: string) => void;
}

/** One of a few answers, where there is no room for buttons. */
export function SelectField({ label, value, options, onTake }: SelectFieldProps) {
  return (
    <select
      aria-label={label}
      className="select select-sm w-full min-w-0 flex-1 bg-base-100"
      value={value}
      onChange={(event) => onTake(event.target.value)}
    >
      {options.map(([each, words]) => (
        <option key={each} value={each}>
          {words}
        </option>
      ))}
    </select>
  );
}
