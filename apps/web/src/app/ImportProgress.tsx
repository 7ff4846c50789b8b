import { useImporting } from "../file/useImport.ts";

/** How far an import is, in the top bar: read, then stored. */
export function ImportProgress() {
  const importing = useImporting((state) => state.importing);
  if (!importing) return null;
  const { stage, stored, all } = importing.state;
  const part = stage === "storing" && all > 0 ? stored / all : 0;
  const words = stage === "reading" ? "reading" : stage === "over" ? "finishing" : `storing ${Math.round(part * 100)} %`;
  return (
    <span className="flex w-44 flex-col gap-0.5">
      <span role="status" className="truncate text-[13px] leading-4">
        {importing.name}: {words}
      </span>
      <progress
        aria-label={`Import of ${importing.name}`}
        className="progress h-1 w-full"
        value={stage === "reading" ? undefined : part}
        max={1}
      />
    </span>
  );
}
