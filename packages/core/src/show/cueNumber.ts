import { ShowError } from "./errors.ts";

/**
 * A cue number as people write it: a decimal with up to three places, such as "12" or "0.75".
 * Numbers are compared by their value and never as text: "9" comes before "10", and "12.25" before "12.5".
 * Stored in the spelling of `plainCueNumber`.
 */
export type CueNumber = string;

/**
 * True for text that is a cue number: digits, and at most three decimal places.
 * Only the spelling is tested: whether a list has such a cue is another question.
 * Signs, exponents, blanks and a bare dot are refused.
 */
export function isCueNumber(text: string): boolean {
  return readOrder(text) >= 0;
}

/**
 * The place of a cue number in the order of cues, in whole thousandths: "12.5" is 12500.
 * Whole thousandths keep comparisons exact, which decimals in binary would not.
 * Throws ShowError for text that is no cue number.
 */
export function cueOrder(number: CueNumber): number {
  const order = readOrder(number);
  if (order >= 0) return order;
  throw new ShowError(`"${number}" is not a cue number; write digits with at most three decimal places, such as 12.5`);
}

/** Character codes of "0" and ".". */
const ZERO = 48;
const DOT = 46;

/** Reads digit by digit, since this is done thousands of times for one edit; -1 for what is no cue number. */
function readOrder(text: string): number {
  let order = 0;
  let dot = -1;
  for (let at = 0; at < text.length; at += 1) {
    const code = text.charCodeAt(at);
    if (code === DOT && dot < 0) dot = at;
    else if (code >= ZERO && code <= ZERO + 9) order = order * 10 + code - ZERO;
    else return -1;
  }
  // At most six digits before the point and three behind it; a point alone, or at the end, is no number.
  const whole = dot < 0 ? text.length : dot;
  const places = dot < 0 ? 0 : text.length - dot - 1;
  if (whole < 1 || whole > 6 || places > 3 || (dot >= 0 && places === 0)) return -1;
  return order * 10 ** (3 - places);
}

/**
 * For sorting cues, or anything that has a cue's number, into the order in which they stand.
 * By `cueOrder`.
 */
export function byNumber(a: { readonly number: CueNumber }, b: { readonly number: CueNumber }): number {
  return cueOrder(a.number) - cueOrder(b.number);
}

/**
 * The cue number that stands at a place in the order: 12500 is "12.5".
 * The reverse of `cueOrder`; trailing zeros are left away, so each place has one spelling.
 * `order` is in thousandths and not below 0.
 */
export function cueNumberAt(order: number): CueNumber {
  const whole = Math.floor(order / 1000);
  const places = String(order % 1000)
    .padStart(3, "0")
    .replace(/0+$/, "");
  return places ? `${whole}.${places}` : String(whole);
}

/**
 * The one spelling of a cue number: "012.50" becomes "12.5". Throws ShowError on anything else.
 * Numbers that come from outside pass through here once, so that the rest may compare them as plain text.
 * The message quotes what was written.
 */
export function plainCueNumber(text: string): CueNumber {
  return cueNumberAt(cueOrder(text));
}
