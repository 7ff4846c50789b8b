import { BadRequestException, type ValidationError } from "@nestjs/common";

/** What the validator says by itself, in our words: by the name of its rule, with the number that it names. */
const WORDS: Readonly<Record<string, (field: string, number: string) => string>> = {
  whitelistValidation: (field) => `${field} is not known here; leave it out`,
  isString: (field) => `${field} is a text`,
  isNumber: (field) => `${field} is a number`,
  isInt: (field) => `${field} is a whole number`,
  isBoolean: (field) => `${field} is true or false`,
  isArray: (field) => `${field} is a list`,
  isObject: (field) => `${field} is an object`,
  isNotEmpty: (field) => `${field} is empty`,
  maxLength: (field, number) => `${field} is longer than ${number} characters`,
  minLength: (field, number) => `${field} is shorter than ${number} characters`,
  isLength: (field) => `${field} is empty or longer than 64 characters`,
  min: (field, number) => `${field} is below ${number}`,
  max: (field, number) => `${field} is above ${number}`,
  arrayMaxSize: (field, number) => `${field} has more than ${number} entries`,
  arrayNotEmpty: (field) => `${field} has no entry`,
  isIn: (field) => `${field} is none of what may stand there`,
  nestedValidation: (field) => `${field} is an object`,
  unknownValue: (field) => `${field} is not what is asked for here`,
};
const KINDS = new Set(["isString", "isNumber", "isInt", "isBoolean", "isArray", "isObject"]);
/** How the validator begins what it says by itself; what we have written for a field begins otherwise. */
const ITS_OWN = /^(each value in |nested property |property |an unknown value )|^\S+ (must|should) /;

/** A refusal that names every field that is wrong, in our words. */
export function refusalOfFields(errors: ValidationError[]): BadRequestException {
  const messages = errors.flatMap((error) => messagesOf(error, ""));
  return new BadRequestException(messages.length > 0 ? messages : ["The body of the request is not what is asked for here"]);
}

function messagesOf({ property, constraints = {}, children = [] }: ValidationError, place: string): string[] {
  // An entry of a list that is no object at all has no name of its own.
  const field = [place, property].filter(Boolean).join(".");
  const own = kindsFirst(Object.entries(constraints)).map(([rule, message]) => {
    if (!ITS_OWN.test(message)) return message;
    const [number = ""] = /-?\d+([.]\d+)?/.exec(message.replace(property, "")) ?? [];
    return WORDS[rule]?.(field, number) ?? `${field} is not what may stand there`;
  });
  return [...own, ...children.flatMap((child) => messagesOf(child, field))];
}

/** A text where a number is wanted is told as that before it is told as too long. */
function kindsFirst(constraints: [string, string][]): [string, string][] {
  return constraints.sort(([one], [other]) => Number(KINDS.has(other)) - Number(KINDS.has(one)));
}

/** What the framework says by itself, in our words; anything else stays as it is. */
export function plainWords(status: number, message: string): string {
  if (status === 400 && /JSON|Unexpected/.test(message)) return unreadableWords(400);
  if (message.startsWith("Validation failed (")) return "A number in the address is none: shows, edits and runs are whole numbers there";
  if (status === 404 && message.startsWith("Cannot ")) return `There is nothing at ${message.slice("Cannot ".length)}`;
  return message;
}

/** What is said of a request that could not even be read. */
export function unreadableWords(status: number): string {
  switch (status) {
    case 400:
      return "The request cannot be read: its body is no JSON, or it was cut off";
    case 408:
      return "Nothing more came of this request; send it again";
    case 415:
      return "The body of a request is JSON in UTF-8, plain or packed with gzip";
    default:
      return "The request was refused; nothing was changed";
  }
}
