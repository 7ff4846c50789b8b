import type { Here } from "@zm/protocol";
import { LOOKS_ON } from "../show/presence.ts";

/** Where a window is: "score, cue 12". */
export function placeWords({ view, cue, cueEnd }: Pick<Here, "view" | "cue" | "cueEnd">): string {
  if (view === LOOKS_ON) return "looks on";
  const [name = ""] = view.split("/");
  if (cue === null) return name;
  return cueEnd === null || cueEnd === cue ? `${name}, cue ${cue}` : `${name}, cues ${cue} to ${cueEnd}`;
}
