import { type Grand, valueWords } from "@zm/core";

/** What holds all levels down, in words; empty where nothing does. A show that is dark must be seen to be, in every view. */
export function grandWords(grand: Grand | undefined): string {
  if (!grand) return "";
  if (grand.blackout.to > 0) return "Blackout";
  return grand.master.to < 100 ? `Grand master ${valueWords(grand.master.to)} %` : "";
}
