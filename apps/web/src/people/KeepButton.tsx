import { nameOfOther } from "@zm/protocol";
import { Lock, LockOpen } from "lucide-react";
import { ActionButton } from "../shared/ActionButton.tsx";
import { hourWords } from "../shared/moments.ts";
import { isMine, keepCue, keptNow, useKept } from "../show/kept.ts";
import { useWhyNot } from "../show/me.ts";
import { useOthers } from "../show/presence.ts";
import { useShow } from "../show/useShow.ts";

/** Keeping a cue for oneself for a while, and taking it over from whoever does. Nothing while nobody else is here and nobody keeps it. */
export function KeepButton({ list, cue }: { list: string; cue: string }) {
  const { id } = useShow();
  const kept = useKept((state) => keptNow(list, cue, state.kept));
  const alone = useOthers(({ others }) => others.length === 0);
  if (useWhyNot("edit") !== null || (alone && !kept)) return null;
  const mine = kept !== undefined && isMine(kept);
  return (
    <div className="flex items-center gap-2">
      <span className={`flex-1 text-[13px] ${kept && !mine ? "text-error" : "text-quiet"}`}>
        {kept ? `${mine ? "yours" : `${nameOfOther(kept.person)} keeps it`} until ${hourWords(new Date(kept.ends))}` : "others are here"}
      </span>
      <ActionButton className="btn btn-outline btn-sm border-neutral" onAct={() => keepCue(id, list, cue, !mine)}>
        {mine ? <LockOpen size={14} /> : <Lock size={14} />}
        {mine ? "Let others" : kept ? "Take it over" : "Keep for me"}
      </ActionButton>
    </div>
  );
}
