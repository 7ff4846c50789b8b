import type { ScriptLine } from "../show/schema.ts";

/** What a line may hold while it is being made: null, false and absent say the same. */
export interface LineFields {
  readonly id: string;
  readonly page?: number | null | undefined;
  readonly who?: string | null | undefined;
  readonly text: string;
  readonly heading?: boolean | null | undefined;
  readonly pace?: number | null | undefined;
  readonly seconds?: number | null | undefined;
  readonly quiet?: boolean | null | undefined;
}

/**
 * A line of the play with its fields in the order of the document; what is null, false or absent is left out.
 * So two lines that say the same are the same text.
 */
export function scriptLine({ id, page, who, text, heading, pace, seconds, quiet }: LineFields): ScriptLine {
  return {
    id,
    ...(page == null ? {} : { page }),
    ...(who == null ? {} : { who }),
    text,
    ...(heading ? { heading } : {}),
    ...(pace == null ? {} : { pace }),
    ...(seconds == null ? {} : { seconds }),
    ...(quiet ? { quiet: true } : {}),
  };
}
