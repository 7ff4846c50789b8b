import { type ListSheet } from "@zm/core";
import { Power } from "lucide-react";
import { Tag } from "./CueTags.tsx";
import { ActionButton } from "../shared/ActionButton.tsx";
import { useMakeEdits } from "../show/useShow.ts";

interface OffRowProps {
  readonly list: ListSheet;
  readonly cue: string;
  readonly top: number;
  readonly width: number;
  /** Classes that all lines of the spine share. */
  readonly look: string;
}

/** A cue that is switched off: where its number stands, skipped by everything, with the press that puts it back. */
export function OffRow({ list, cue: number, top, width, look }: OffRowProps) {
  const makeEdits = useMakeEdits();
  const cue = list.list.off?.find((each) => each.number === number);
  if (!cue) return null;
  return (
    <div role="row" aria-label={`Cue ${number}, switched off`} className={`${look} bg-base-200`} style={{ top, width }}>
      <span role="rowheader" className="figures w-[58px] shrink-0 pr-2 text-right text-quiet line-through">
        {number}
      </span>
      <span role="gridcell" className="min-w-0 flex-1 truncate text-quiet">
        {cue.label} <Tag title="It is skipped as if it were not there">off</Tag>
      </span>
      <span role="gridcell" className="shrink-0 pr-1">
        <ActionButton
          className="btn btn-ghost btn-xs h-7 gap-1 font-normal"
          aria-label={`Switch cue ${number} on`}
          title={`It is skipped. Switch it on: switch on #${number}`}
          onAct={() => makeEdits([{ op: "switchOn", list: list.id, from: number, to: number }])}
        >
          <Power size={13} aria-hidden /> on
        </ActionButton>
      </span>
    </div>
  );
}
