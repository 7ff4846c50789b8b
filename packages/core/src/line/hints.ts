// Refusals that help: what somebody most likely meant who types the way they speak. They are hints only: nothing is guessed and done.
import type { IToken } from "chevrotain";
import type { LineFault, Possible } from "./fault.ts";
import { isNear } from "./near.ts";
import { KEYWORDS } from "./tokens.ts";

/** Words that people write between two numbers, and words they write for a cue, where the line has signs. */
const RANGE_WORDS = /^(thru|through|till?|until|bis)$/i;
const CUE_WORDS = /^(cue|cues|q)$/i;
/** Words that speak of a cue, which is typed with # behind them. */
const BEFORE_CUES = new Set([
  "Delete",
  "Block",
  "Unblock",
  "Restate",
  "Unrestate",
  "Copy",
  "Move",
  "Renumber",
  "Insert",
  "Label",
  "Record",
  "In",
]);

/**
 * "1-6" without a blank may be meant as a range or as a light made darker: the line asks which.
 * Undefined where no such doubt is.
 */
export function ambiguousMinus(tokens: readonly IToken[]): LineFault | undefined {
  for (let index = 1; index + 1 < tokens.length; index += 1) {
    const [first, minus, last] = tokens.slice(index - 1, index + 2);
    if (!first || !minus || !last) continue;
    if (first.tokenType.name !== "Decimal" || minus.tokenType.name !== "Minus" || last.tokenType.name !== "Decimal") continue;
    const touching = first.startOffset + first.image.length === minus.startOffset && minus.startOffset + 1 === last.startOffset;
    if (!touching || tokens[index - 2]?.tokenType.name === "Tilde") continue;
    return {
      message: `Which is meant? Lights ${first.image} to ${last.image} are written ${first.image}..${last.image}; light ${first.image} down by ${last.image} is written ${first.image} - ${last.image}`,
      at: first.startOffset,
      length: last.startOffset + last.image.length - first.startOffset,
    };
  }
  return undefined;
}

/**
 * What somebody most likely meant who typed this word at this place, told by the words around it; undefined where nothing is known of
 * it and the list of what could stand there has to do.
 * Words of other trades and habits are met here, each with how it is said in this line.
 */
export function hintFor(before: readonly IToken[], token: IToken, next: IToken | undefined): string | undefined {
  const kind = token.tokenType.name;
  const last = before.at(-1);
  const lastKind = last?.tokenType.name;
  if (before.length === 0) return firstWordHint(token, next);
  if (RANGE_WORDS.test(token.image) && lastKind === "Decimal") return rangeHint(last, next);
  if (kind === "Decimal" && last && RANGE_WORDS.test(last.image)) return rangeHint(before.at(-2), token);
  if (lastKind === "To" && kind === "Decimal" && before.at(-3)?.tokenType.name === "Hash")
    return `Cues are typed with #, as in to #${token.image}`;
  if (lastKind === "To" && kind === "Decimal" && before.at(-2)?.tokenType.name === "Decimal") return rangeHint(before.at(-2), token);
  if (kind === "AtWord" && (lastKind === "Decimal" || lastKind === "Name" || lastKind === "Word"))
    return `A level is written with =, as in ${last?.image ?? "5"} = ${next?.tokenType.name === "Decimal" ? next.image : "50"}`;
  if (kind === "Decimal" && lastKind === "Word") return `A value is written with =, as in ${last?.image ?? "pan"} = ${token.image}`;
  if (kind === "Decimal" && lastKind === "Decimal") {
    const inCues = before.at(-2)?.tokenType.name === "Hash" || before.at(-2)?.tokenType.name === "Through";
    return inCues
      ? `A colon stands between the cues and what is done in them, as in #${last?.image ?? "12"}: ${token.image} = 50`
      : `A level is written with =, as in ${last?.image ?? "5"} = ${token.image}; several lights as 1..6 or 5, 7`;
  }
  if (kind === "Decimal" && lastKind !== undefined && BEFORE_CUES.has(lastKind))
    return `Cues are typed with #, as in ${last?.image ?? ""} #${token.image}`;
  return undefined;
}

/** How the range is written that was meant. */
function rangeHint(first: IToken | undefined, last: IToken | undefined): string {
  const end = last?.tokenType.name === "Decimal" ? last.image : "6";
  return `A range is written ${first?.image ?? "1"}..${end}`;
}

/** What may help where the very first word cannot be read; undefined where nothing is known. */
function firstWordHint(token: IToken, next: IToken | undefined): string | undefined {
  const kind = token.tokenType.name;
  if (["Equals", "AtWord", "Plus", "Minus", "Star", "Release", "Home"].includes(kind))
    return "Which lights? Write them first, as in 5 = 50";
  if (CUE_WORDS.test(token.image)) return `Cues are typed with #, as in #${next?.tokenType.name === "Decimal" ? next.image : "12"}`;
  if (kind === "Word" && next?.tokenType.name === "Decimal")
    return `Lights come first and a value has =, as in 5 ${token.image} = ${next.image}`;
  return undefined;
}

/** Signs as they are offered, by the name of their token. */
const SIGNS: Readonly<Record<string, string>> = {
  Equals: "=",
  Plus: "+",
  Minus: "-",
  Star: "*",
  Hash: "#",
  Colon: ":",
  Through: "..",
  At: "@",
  Text: '"a label"',
  Decimal: "a number",
  Name: "a name",
  FamilyWord: "a family",
};
/** So many words are offered in a refusal. */
const MOST = 5;

/**
 * What could stand where a word was not understood, and the word that it was nearly. At most MOST words are named.
 * A sentence for the user, without a full stop.
 */
export function expectation(image: string, possible: readonly Possible[], isFirst: boolean): string {
  const words = possibleWords(possible);
  const near = [...KEYWORDS].find(([name, word]) => possible.some(({ token }) => token === name) && isNear(image.toLowerCase(), word));
  if (near) return `"${image}" means nothing here; is "${near[1]}" meant?`;
  if (isFirst)
    return `"${image}" means nothing here; a line begins with lights as in 5 = 50, with cues as in #12, or with a word such as record. help lists them`;
  return words.length === 0 ? `The line is finished before "${image}"` : `"${image}" means nothing here; here could stand ${listOf(words)}`;
}

/** Words that press something on a list, which has to be named: the main list fires by accident least of all. */
const PRESSING: ReadonlySet<string> = new Set(["Go", "Back", "Hold", "Resume", "Catch", "Start"]);

/**
 * What could come next in a line that ends too early.
 * A sentence for the user that names what could be typed next.
 */
export function unfinished(tokens: readonly IToken[], possible: readonly Possible[]): string {
  const [only, ...others] = tokens;
  if (only && others.length === 0 && PRESSING.has(only.tokenType.name))
    return `On which list? Name it, as in ${only.image.toLowerCase()} main; #12 looks at cue 12 and fires nothing`;
  const words = possibleWords(possible);
  return words.length === 0 ? "The line is not finished" : `The line is not finished; next could come ${listOf(words)}`;
}

/** The words and signs that could stand here, signs first: they are what people leave out most. */
function possibleWords(possible: readonly Possible[]): string[] {
  const words = possible.flatMap(({ token }) => SIGNS[token] ?? KEYWORDS.get(token) ?? []);
  const order = [...words.filter((word) => !/^[a-z]/.test(word)), ...words.filter((word) => /^[a-z]/.test(word))];
  return [...new Set(order)];
}

/** The first few words, and a mark where there are more. */
function listOf(words: readonly string[]): string {
  const shown = words.slice(0, MOST);
  return words.length > MOST ? `${shown.join(", ")} …` : shown.join(", ");
}
