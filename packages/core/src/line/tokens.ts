import { type IToken, Lexer, type TokenType, createToken } from "chevrotain";

const word = /[A-Za-z_\u00C0-\uFFFF][\w\u00C0-\uFFFF-]*/;

export const Space = createToken({ name: "Space", pattern: /\s+/, group: Lexer.SKIPPED });
/** Anything that may be a name: a palette may be called after a word of the line. */
export const Name = createToken({ name: "Name", pattern: Lexer.NA });
export const Word = createToken({ name: "Word", pattern: word, line_breaks: false, categories: [Name] });
const keyword = (name: string, text: string) => createToken({ name, pattern: new RegExp(text, "i"), longer_alt: Word, categories: [Name] });

/** A family whose moves have times of their own in a cue; it may stand wherever an attribute may. */
export const FamilyWord = createToken({ name: "FamilyWord", pattern: /position|colour|beam/i, longer_alt: Word, categories: [Name, Word] });
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
export const Block = keyword("Block", "block");
export const Unblock = keyword("Unblock", "unblock");
export const Assert = keyword("Assert", "assert");
export const Unassert = keyword("Unassert", "unassert");
export const Recast = keyword("Recast", "recast");
export const Exchange = keyword("Exchange", "exchange");
export const Swap = keyword("Swap", "swap");
export const Renumber = keyword("Renumber", "renumber");
export const Copy = keyword("Copy", "copy");
export const Move = keyword("Move", "move");
export const Delete = keyword("Delete", "delete");
export const Split = keyword("Split", "split");
export const Label = keyword("Label", "label");
export const Fade = keyword("Fade", "fade");
export const Delay = keyword("Delay", "delay");
export const Curve = keyword("Curve", "curve");
export const Pace = keyword("Pace", "pace");
export const Part = keyword("Part", "part");
export const Look = keyword("Look", "look");
export const Too = keyword("Too", "too");
export const As = keyword("As", "as");
export const And = keyword("And", "and");
export const For = keyword("For", "for");
export const In = keyword("In", "in");
export const Of = keyword("Of", "of");
export const To = keyword("To", "to");
export const From = keyword("From", "from");
export const By = keyword("By", "by");
export const Record = keyword("Record", "record");
export const Update = keyword("Update", "update");
export const Keep = keyword("Keep", "keep");
export const Patch = keyword("Patch", "patch");
export const Gather = keyword("Gather", "gather");
export const Next = keyword("Next", "next");
export const Merge = keyword("Merge", "merge");
export const Replace = keyword("Replace", "replace");
export const Take = keyword("Take", "take");
export const All = keyword("All", "all");
export const Values = keyword("Values", "values");
export const Here = keyword("Here", "here");
export const Source = keyword("Source", "source");
export const PaletteWord = keyword("PaletteWord", "palette");
export const Group = keyword("Group", "group");
export const Types = keyword("Types", "types");
export const Each = keyword("Each", "each");
export const Score = keyword("Score", "score");
export const Stage = keyword("Stage", "stage");
export const Run = keyword("Run", "run");
export const Rig = keyword("Rig", "rig");
export const Lit = keyword("Lit", "lit");
export const Again = keyword("Again", "again");
export const AtWord = keyword("AtWord", "at");
export const None = keyword("None", "none");
export const Follows = keyword("Follows", "follows");
export const End = keyword("End", "end");
export const On = keyword("On", "on");
export const Go = keyword("Go", "go");
export const Insert = keyword("Insert", "insert");
export const Carries = keyword("Carries", "carries");
export const Track = keyword("Track", "track");
export const Isolated = keyword("Isolated", "isolated");
export const Others = keyword("Others", "others");
export const Home = keyword("Home", "home");
export const Find = keyword("Find", "find");
export const Help = keyword("Help", "help");
export const New = keyword("New", "new");
export const CuesWord = keyword("CuesWord", "cues");
export const Leave = keyword("Leave", "leave");
export const MovesWord = keyword("MovesWord", "moves");
export const Text = createToken({ name: "Text", pattern: /"[^"]*"/ });
export const Tilde = createToken({ name: "Tilde", pattern: /~/ });
/** Words behind which a time stands; only there "1:30" is one, so that "#12:30 = 5" stays what it is. */
const TIME_WORDS: readonly TokenType[] = [UpTime, DownTime, Fade, Delay, FamilyWord, End, Go, Tilde];
const CLOCK = /\d+:[0-5]\d(\.\d+)?/y;
/** Minutes and seconds: "1:30". */
export const Clock = createToken({
  name: "Clock",
  pattern: {
    exec: (text: string, offset: number, matched: IToken[]): RegExpExecArray | null => {
      const last = matched.at(-1)?.tokenType;
      if (last === undefined || !TIME_WORDS.includes(last)) return null;
      CLOCK.lastIndex = offset;
      return CLOCK.exec(text);
    },
  },
  start_chars_hint: [..."0123456789"],
  line_breaks: false,
});
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

/** Every word of the line entry; keywords stand before the word they look like, the longer before the shorter. */
export const lineTokens = [
  Space,
  Name,
  Text,
  FamilyWord,
  Isolated,
  Carries,
  Follows,
  Insert,
  Others,
  Track,
  None,
  End,
  Replace,
  PaletteWord,
  Record,
  Update,
  Gather,
  Values,
  Source,
  Patch,
  Merge,
  Group,
  Score,
  Stage,
  Again,
  MovesWord,
  CuesWord,
  Leave,
  New,
  Home,
  Find,
  Help,
  Keep,
  Next,
  Take,
  Here,
  Types,
  Each,
  All,
  Run,
  Rig,
  Lit,
  Unassert,
  Exchange,
  Renumber,
  Release,
  Unblock,
  Assert,
  Recast,
  Delete,
  Times,
  Block,
  Split,
  Label,
  Delay,
  Curve,
  Only,
  Full,
  Drop,
  Undo,
  Redo,
  DownTime,
  Swap,
  Copy,
  Move,
  Fade,
  Pace,
  Part,
  Look,
  From,
  Out,
  Too,
  And,
  For,
  UpTime,
  As,
  AtWord,
  On,
  Go,
  In,
  Of,
  To,
  By,
  Word,
  Clock,
  Decimal,
  Through,
  Tilde,
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

/** The text of each keyword, by the name of its kind. */
export const KEYWORDS: ReadonlyMap<string, string> = new Map(
  lineTokens.flatMap((token): [string, string][] =>
    token.PATTERN instanceof RegExp && /^[a-z]+$/.test(token.PATTERN.source) ? [[token.name, token.PATTERN.source]] : [],
  ),
);
