import type { EditInput } from "../edit/index.ts";
import type { ListSheet } from "../sheet/sheet.ts";

/**
 * How bad a finding is: what breaks the show, what is likely a slip, what is only worth knowing.
 * Errors come first where findings are counted, and the spine marks their cues.
 */
export type Severity = "error" | "warning" | "hint";

/**
 * What each code means; the words of the codes are fixed, files and other tools rely on them.
 * A severity for each; a finding may be milder than its code where the case is.
 */
export const CODES = {
  "mark-late": "warning",
  "mark-lit": "error",
  "moves-in-view": "warning",
  "no-change": "hint",
  "never-seen": "hint",
  "fades-overlap": "warning",
  "dark-but-labelled-lit": "warning",
  "lit-in-blackout": "error",
  "leaks-past-wall": "warning",
  "at-home-while-lit": "warning",
  "lit-unseen": "warning",
  "dark-unwalled": "hint",
  "palette-gap": "error",
  "patch-clash": "error",
  "unreachable-cue": "warning",
  "call-adrift": "warning",
  "call-needless": "warning",
  "action-loop": "error",
  "never-stopped": "warning",
  "not-running": "warning",
  "long-chain": "hint",
} as const satisfies Record<string, Severity>;
/**
 * The name of a rule, for those who filter findings.
 * Part of the open format: files of other tools may name them.
 */
export type Code = keyof typeof CODES;

/**
 * One thing that is wrong, or likely not meant: where, what happens on stage and what to do, and the edit that mends it where there is
 * one.
 * `list`, `cue` and `channel` are null where it is about more than one or none.
 */
export interface Finding {
  code: Code;
  severity: Severity;
  list: string | null;
  cue: string | null;
  channel: number | null;
  message: string;
  mend?: EditInput[];
}

/**
 * The one light that a finding is about; null where it is about several.
 * For the `channel` of a finding.
 */
export function onlyLight(lights: readonly number[]): number | null {
  return lights.length === 1 ? (lights[0] ?? null) : null;
}

/**
 * A finding at a row of a list.
 * Rows count from 0; the cue is named by its number.
 */
export function findingAt(
  { list }: { readonly list: ListSheet },
  code: Code,
  row: number,
  channel: number | null,
  message: string,
  mend?: readonly EditInput[],
  severity: Severity = CODES[code],
): Finding {
  const own = mend?.map((edit): EditInput => ("list" in edit || !("cue" in edit || "from" in edit) ? edit : { ...edit, list: list.id }));
  return { code, severity, list: list.id, cue: list.cues[row]?.number ?? null, channel, message, ...(own ? { mend: own } : {}) };
}
