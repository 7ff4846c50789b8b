interface SelectFieldProps<T extends string> {
  label: string;
  value: T;
  /** What each stands for, in words. */
  options: readonly (readonly [T, string])[];
  onTake: (value: T) => void;
}

/** One of a few answers, where there is no room for buttons. */
export function SelectField<T extends string>({ label, value, options, onTake }: SelectFieldProps<T>) {
  return (
    <select
      aria-label={label}
      className="select select-sm w-full min-w-0 flex-1 bg-base-100"
      value={value}
      onChange={(event) => {
        const taken = options.find(([each]) => each === event.target.value);
        if (taken) onTake(taken[0]);
      }}
    >
      {options.map(([each, words]) => (
        <option key={each} value={each}>
          {words}
        </option>
      ))}
    </select>
  );
}
