interface CellFieldProps {
  label: string;
  value: string;
  figures?: boolean;
  right?: boolean;
  fault?: string | undefined;
  onTake: (text: string) => void;
}

/** A cell of a table that is written in where it stands: leaving or Enter takes it, Escape drops it, arrows go to the rows beside. */
export function CellField({ label, value, figures = false, right = false, fault, onTake }: CellFieldProps) {
  return (
    <span role="gridcell">
      <input
        key={value}
        aria-label={label}
        title={fault}
        autoComplete="off"
        defaultValue={value}
        className={`h-6 w-full rounded bg-transparent px-1.5 hover:bg-base-300 focus:bg-base-100 ${figures ? "figures" : ""} ${right ? "text-right" : ""} ${fault ? "text-error underline decoration-wavy" : ""}`}
        onFocus={(event) => event.target.select()}
        onBlur={(event) => event.target.value.trim() !== value && onTake(event.target.value.trim())}
        onKeyDown={(event) => {
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") {
            event.currentTarget.value = value;
            event.stopPropagation();
            event.currentTarget.blur();
          }
          if (event.key === "ArrowDown" || event.key === "ArrowUp") beside(event, event.key === "ArrowDown" ? 1 : -1);
        }}
      />
    </span>
  );
}

function beside(event: React.KeyboardEvent<HTMLInputElement>, by: 1 | -1): void {
  const row = event.currentTarget.closest('[role="row"]');
  const index = Number(row?.getAttribute("aria-rowindex"));
  const column = [...(row?.querySelectorAll("input") ?? [])].indexOf(event.currentTarget);
  const next = row?.parentElement?.querySelector(`[aria-rowindex="${index + by}"]`);
  const field = next?.querySelectorAll("input")[column];
  if (!field) return;
  event.preventDefault();
  field.focus();
}
