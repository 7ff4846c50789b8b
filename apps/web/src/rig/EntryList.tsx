import { Plus } from "lucide-react";
import { ActionButton } from "../shared/ActionButton.tsx";

interface EntryListProps {
  label: string;
  entries: readonly { id: string; name: string; about?: string; mark?: React.ReactNode }[];
  chosen: string | null;
  onChoose: (id: string) => void;
  onAdd: () => unknown;
  /** Tells of an entry for which something is entered that is not stored. */
  entered: (id: string) => boolean;
  addWord: string;
  children: React.ReactNode;
}

/** Things that stand beside the cues: a list to choose from at the left, the chosen one at the right. */
export function EntryList({ label, entries, chosen, onChoose, onAdd, addWord, entered, children }: EntryListProps) {
  return (
    <div className="flex h-full">
      <div className="flex w-60 shrink-0 flex-col border-r border-rule">
        <ul aria-label={label} className="min-h-0 flex-1 overflow-y-auto py-1" tabIndex={0}>
          {entries.map(({ id, name, about, mark }) => (
            <li key={id}>
              <button
                type="button"
                aria-current={id === chosen}
                className={`flex h-7 w-full items-center gap-2 px-4 text-left ${id === chosen ? "bg-base-300 font-bold" : "hover:bg-base-200"}`}
                onClick={() => onChoose(id)}
              >
                {mark}
                <span className="min-w-0 flex-1 truncate">{name}</span>
                {entered(id) && (
                  <span title="Something is entered here that is not stored yet" className="text-primary">
                    <span aria-hidden>●</span>
                    <span className="sr-only">, changed</span>
                  </span>
                )}
                <span className="figures text-[13px] font-normal text-quiet">{about}</span>
              </button>
            </li>
          ))}
        </ul>
        <ActionButton className="btn btn-ghost btn-sm justify-start gap-1.5 rounded-none border-t border-rule" onAct={onAdd}>
          <Plus size={14} /> {addWord}
        </ActionButton>
      </div>
      <div className="min-w-0 flex-1 overflow-y-auto px-6 py-4" tabIndex={0} role="group" aria-label={`${label}, the chosen one`}>
        {children}
      </div>
    </div>
  );
}
