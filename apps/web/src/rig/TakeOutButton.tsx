import { X } from "lucide-react";

/** Takes a row out of its table. */
export function TakeOutButton({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label={label} onClick={onClick}>
      <X size={12} />
    </button>
  );
}
