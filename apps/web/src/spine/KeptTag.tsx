import { nameOfOther } from "@zm/protocol";
import { Lock } from "lucide-react";
import { isMine, keptNow, useKept } from "../show/kept.ts";

/** That somebody keeps a cue for themselves. */
export function KeptTag({ list, cue }: { list: string; cue: string }) {
  const kept = useKept((state) => keptNow(list, cue, state.kept));
  if (!kept) return null;
  const words = isMine(kept) ? "You keep this cue for yourself" : `${nameOfOther(kept.person)} keeps this cue`;
  return (
    <span title={words} className={`shrink-0 ${isMine(kept) ? "text-secondary" : "text-error"}`}>
      <span className="sr-only">{words}</span>
      <Lock aria-hidden size={12} className="inline" />
    </span>
  );
}
