import { Lexer, createToken } from "chevrotain";

const word = /[A-Za-z_\u00C0-\uFFFF][\w\u00C0-\uFFFF-]*/;

export const Space = createToken({ name: "Space", pattern: /\s+/, group: Lexer.SKIPPED });
export const Word = createToken({ name: "Word", pattern: word, line_breaks: false });
const keyword = (name: string, text: string) => createToken({ name, pattern: new RegExp(text, "i"), longer_alt: Word });

export const Only = keyword("Only", "only");
export const Full = keyword("Full", "full");
export const Out = keyword("Out", "out");
export const Release = keyword("Release", "release");
export const Drop = keyword("Drop", "drop");
export const Times = keyword("Times", "times");
export const Undo = keyword("Undo", "undo");
export const Redo = keyword("Redo", "redo");
export const UpTime = keyword("UpTime", "up");
export const DownTime = keyword("DownTime", "down");
export const Decimal = createToken({ name: "Decimal", pattern: /\d+(\.\d+)?/ });
export const Through = createToken({ name: "Through", pattern: /\.\./ });
export const Hash = createToken({ name: "Hash", pattern: /#/ });
export const At = createToken({ name: "At", pattern: /@/ });
export const Colon = createToken({ name: "Colon", pattern: /:/ });
export const Comma = createToken({ name: "Comma", pattern: /,/ });
export const Slash = createToken({ name: "Slash", pattern: /\// });
export const Equals = createToken({ name: "Equals", pattern: /=/ });
export const Plus = createToken({ name: "Plus", pattern: /\+/ });
export const Minus = createToken({ name: "Minus", pattern: /[-−]/ });
export const Star = createToken({ name: "Star", pattern: /[*×]/ });

/** Every word of the line entry; keywords stand before the word they look like. */
export const lineTokens = [
  Space,
  Only,
  Full,
  Out,
  Release,
  Drop,
  Times,
  Undo,
  Redo,
  UpTime,
  DownTime,
  Word,
  Decimal,
  Through,
  Hash,
  At,
  Colon,
  Comma,
  Slash,
  Equals,
  Plus,
  Minus,
  Star,
];
