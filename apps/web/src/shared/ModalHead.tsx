import { X } from "lucide-react";

/** The name of a dialog, and the cross that closes it. */
export function ModalHead({ name }: { name: string }) {
  return (
    <div className="flex items-center justify-between">
      <h2 className="text-[17px] font-bold">{name}</h2>
      <form method="dialog">
        <button type="submit" className="btn btn-ghost btn-sm btn-square" aria-label="Close">
          <X size={15} />
        </button>
      </form>
    </div>
  );
}
