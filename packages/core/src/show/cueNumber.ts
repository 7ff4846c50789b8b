import { ShowError } from "./errors.ts";

/** A cue number as people write it: a decimal with up to three places, such as "12" or "0.75". */
export type CueNumber = string;

const CUE_NUMBER = /^(\d{1,6})(?:\.(\d{1,3}))?$/;

/** True for text that is a cue number: digits, and at most three decimal places. */
export function isCueNumber(text: string): boolean {
  return CUE_NUMBER.test(text);
}

/** The place of a cue number in the order of cues, in whole thousandths: "12.5" is 12500. */
export function cueOrder(number: CueNumber): number {
  const match = CUE_NUMBER.exec(number);
  if (!match) throw new ShowError(`"${number}" is not a cue number; write digits with at most three decimal places, such as 12.5`);
  return Number(match[1]) * 1000 + Number((match[2] ?? "").padEnd(3, "0"));
}

/** The cue number that stands at a place in the order: 12500 is "12.5". */
export function cueNumberAt(order: number): CueNumber {
  const whole = Math.floor(order / 1000);
  const places = String(order % 1000)
    .padStart(3, "0")
    .replace(/0+$/, "");
  return places ? `${whole}.${places}` : String(whole);
}

/** The one spelling of a cue number: "012.50" becomes "12.5". Throws ShowError on anything else. */
export function plainCueNumber(text: string): CueNumber {
  return cueNumberAt(cueOrder(text));
}
