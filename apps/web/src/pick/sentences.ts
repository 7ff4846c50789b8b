import type { PickStart } from "../shared/dialogs.ts";

/** Cues as a line names them: "#12", "#10..20". */
export function cuesText({ from, to }: PickStart["cues"]): string {
  return from === to ? `#${from}` : `#${from}..${to}`;
}

/** Where a picker works: in the cues that stand there, or in every list and held look. */
export function whereText(cues: PickStart["cues"], everywhere: boolean): string {
  return everywhere ? "everywhere" : `in ${cuesText(cues)}`;
}

/** What was entered into the picker of copies and moves of whole cues. */
export interface CopyEntry {
  readonly cues: PickStart["cues"];
  /** What the cues store, or their whole looks. */
  readonly what: "moves" | "look";
  /** The number of the first; empty: all keep theirs. */
  readonly start: string;
  /** The list that they go to; empty: the same. */
  readonly list: string;
  /** What comes behind stays as it is. */
  readonly keep: boolean;
  /** Palettes that give way to others in the copy. */
  readonly recolour: readonly PalettePair[];
}

export interface PalettePair {
  readonly palette: string;
  readonly as: string;
}

/** The pairs that are filled on both sides, as a line names them; undefined where none is. */
function pairsText(pairs: readonly PalettePair[]): string | undefined {
  const whole = pairs.filter(({ palette, as }) => palette !== "" && as !== "");
  if (whole.length === 0) return undefined;
  return `${whole.map(({ palette }) => palette).join(", ")} for ${whole.map(({ as }) => as).join(", ")}`;
}

/** The sentence that copies or moves cues. Empty while it is not said where they go. */
export function copySentence(kind: "copy" | "move", { cues, what, start, list, keep, recolour }: CopyEntry): string {
  const goal = `${start.trim() === "" ? "" : ` #${start.trim()}`}${list === "" ? "" : ` list ${list}`}`;
  if (goal === "") return "";
  const pairs = kind === "copy" ? pairsText(recolour) : undefined;
  return `${kind} ${kind === "copy" && what === "look" ? "look of " : ""}${cuesText(cues)} to${goal}${keep ? " keep looks" : ""}${pairs === undefined ? "" : ` with ${pairs}`}`;
}

/** What was entered into the picker that swaps palettes. */
export interface SwapEntry {
  readonly cues: PickStart["cues"];
  readonly everywhere: boolean;
  readonly pairs: readonly PalettePair[];
  /** What a light has no value for stays as it is. */
  readonly leave: boolean;
}

/** The sentence that swaps palettes. Empty while no pair is whole. */
export function swapSentence({ cues, everywhere, pairs, leave }: SwapEntry): string {
  const text = pairsText(pairs);
  return text === undefined ? "" : `swap ${text} ${whereText(cues, everywhere)}${leave ? " leave" : ""}`;
}

/** What was entered into the picker that splits moves off, and into the one that copies and moves them. */
export interface CellsEntry {
  readonly cues: PickStart["cues"];
  readonly lights: string;
  /** A family; empty: everything of the lights. */
  readonly family: string;
  readonly to: string;
  /** Other lights that get the moves; empty: the same. */
  readonly as: string;
  readonly what: "copy" | "move";
}

function keysText({ lights, family }: { readonly lights: string; readonly family: string }): string {
  return `${lights.trim()}${family === "" ? "" : ` ${family}`}`;
}

/** The sentence that lets moves leave for a new cue right behind. Empty while lights or number are missing. */
export function splitSentence({ cues, to, ...keys }: CellsEntry): string {
  return keys.lights.trim() === "" || to.trim() === "" ? "" : `split ${keysText(keys)} of #${cues.from} to #${to.trim()}`;
}

/** The sentence that copies or moves stored moves to other cues. Empty while lights or cue are missing. */
export function cellsSentence({ cues, to, as, what, ...keys }: CellsEntry): string {
  if (keys.lights.trim() === "" || to.trim() === "") return "";
  return `${what} ${keysText(keys)} of ${cuesText(cues)} to #${to.trim()}${as.trim() === "" ? "" : ` as ${as.trim()}`}`;
}
