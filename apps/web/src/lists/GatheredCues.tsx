import type { GatheredCue } from "@zm/core";
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { cueName } from "../shared/words.ts";
import { useShow } from "../show/useShow.ts";

/** The cues of all lists, to be taken by pressing them. */
export function CuesToGather({ onPick }: { onPick: (cue: GatheredCue) => void }) {
  const { sheet } = useShow();
  return (
    <div className="flex-1 overflow-y-auto rounded border border-rule p-1" tabIndex={0} role="group" aria-label="Cues to take">
      {[...sheet.lists.values()].map((list) => (
        <div key={list.id}>
          <p className="px-1.5 pt-1 text-[13px] text-primary">{list.list.label || list.id}</p>
          {list.cues.map((cue) => (
            <button
              key={cue.number}
              type="button"
              className="block w-full truncate rounded px-1.5 text-left hover:bg-base-300"
              onClick={() => onPick({ list: list.id, cue: cue.number })}
            >
              <span className="figures inline-block w-12 text-right">{cue.number}</span> {cue.label}
            </button>
          ))}
        </div>
      ))}
    </div>
  );
}

interface GatheredCuesProps {
  readonly picked: readonly GatheredCue[];
  readonly onChange: (picked: readonly GatheredCue[]) => void;
}

/** The new list, in the order in which its cues were taken; each can be moved or left out. */
export function GatheredCues({ picked, onChange }: GatheredCuesProps) {
  const { sheet } = useShow();
  const move = (index: number, by: -1 | 1): void => {
    const one = picked[index];
    if (one) onChange(picked.toSpliced(index, 1).toSpliced(index + by, 0, one));
  };
  return (
    <ol className="flex-1 overflow-y-auto rounded border border-rule p-1" tabIndex={0} aria-label="The new list">
      {picked.length === 0 && <li className="px-1.5 text-quiet">Click cues at the left in the order in which they are to stand.</li>}
      {picked.map((each, index) => (
        <li key={index} className="flex items-center gap-1">
          <span className="figures w-8 text-right text-secondary">{index + 1}</span>
          <span className="min-w-0 flex-1 truncate">
            {cueName(sheet.lists.get(each.list)?.cues.find((cue) => cue.number === each.cue))}
          </span>
          <IconButton label={`Cue ${index + 1} up`} disabled={index === 0} onClick={() => move(index, -1)}>
            <ArrowUp size={12} />
          </IconButton>
          <IconButton label={`Cue ${index + 1} down`} disabled={index === picked.length - 1} onClick={() => move(index, 1)}>
            <ArrowDown size={12} />
          </IconButton>
          <IconButton label={`Leave cue ${index + 1} out`} onClick={() => onChange(picked.toSpliced(index, 1))}>
            <X size={12} />
          </IconButton>
        </li>
      ))}
    </ol>
  );
}

function IconButton({
  label,
  disabled = false,
  onClick,
  children,
}: {
  label: string;
  disabled?: boolean;
  onClick: () => void;
  children: React.ReactNode;
}) {
  return (
    <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label={label} disabled={disabled} onClick={onClick}>
      {children}
    </button>
  );
}
