// The words and signs of the line entry. A keyword may still be a name where a name is wanted, so that a palette can be called "move".
import { type IToken, Lexer, type TokenType, createToken } from "chevrotain";

// Letters of any script: palettes and groups are called in the language of the house.
const LETTERS = /[A-Za-z_\u00C0-\uFFFF][\w\u00C0-\uFFFF-]*/;

/** What stands between words; it says nothing. */
const Space = createToken({ name: "Space", pattern: /\s+/, group: Lexer.SKIPPED });
/** Anything that may be a name: a palette may be called after a word of the line. */
const Name = createToken({ name: "Name", pattern: Lexer.NA });
/** A word that is none of the line's own. */
const Word = createToken({ name: "Word", pattern: LETTERS, line_breaks: false, categories: [Name] });

/** A word of the line's own, which may be a name as well. */
const keyword = (name: string, text: string): TokenType =>
  createToken({ name, pattern: new RegExp(text, "i"), longer_alt: Word, categories: [Name] });

/** The words of the line entry that have a meaning of their own. In any case of letters; `KEYWORDS` gives their text by their name. */
const keywords = {
  Only: keyword("Only", "only"),
  Full: keyword("Full", "full"),
  Out: keyword("Out", "out"),
  Release: keyword("Release", "release"),
  Drop: keyword("Drop", "drop"),
  Times: keyword("Times", "times"),
  Undo: keyword("Undo", "undo"),
  Redo: keyword("Redo", "redo"),
  UpTime: keyword("UpTime", "up"),
  DownTime: keyword("DownTime", "down"),
  Block: keyword("Block", "block"),
  Unblock: keyword("Unblock", "unblock"),
  Restate: keyword("Restate", "restate"),
  Unrestate: keyword("Unrestate", "unrestate"),
  Recast: keyword("Recast", "recast"),
  Exchange: keyword("Exchange", "exchange"),
  Swap: keyword("Swap", "swap"),
  Renumber: keyword("Renumber", "renumber"),
  Copy: keyword("Copy", "copy"),
  Move: keyword("Move", "move"),
  Delete: keyword("Delete", "delete"),
  Split: keyword("Split", "split"),
  Label: keyword("Label", "label"),
  Note: keyword("Note", "note"),
  Scene: keyword("Scene", "scene"),
  Fade: keyword("Fade", "fade"),
  Delay: keyword("Delay", "delay"),
  Curve: keyword("Curve", "curve"),
  Pace: keyword("Pace", "pace"),
  Part: keyword("Part", "part"),
  Look: keyword("Look", "look"),
  Too: keyword("Too", "too"),
  As: keyword("As", "as"),
  And: keyword("And", "and"),
  For: keyword("For", "for"),
  In: keyword("In", "in"),
  Of: keyword("Of", "of"),
  To: keyword("To", "to"),
  From: keyword("From", "from"),
  By: keyword("By", "by"),
  Record: keyword("Record", "record"),
  Update: keyword("Update", "update"),
  Keep: keyword("Keep", "keep"),
  Patch: keyword("Patch", "patch"),
  Gather: keyword("Gather", "gather"),
  Next: keyword("Next", "next"),
  Add: keyword("Add", "add"),
  Exactly: keyword("Exactly", "exactly"),
  Take: keyword("Take", "take"),
  All: keyword("All", "all"),
  Values: keyword("Values", "values"),
  Here: keyword("Here", "here"),
  Source: keyword("Source", "source"),
  PaletteWord: keyword("PaletteWord", "palette"),
  Group: keyword("Group", "group"),
  Types: keyword("Types", "types"),
  Each: keyword("Each", "each"),
  Score: keyword("Score", "score"),
  Stage: keyword("Stage", "stage"),
  Run: keyword("Run", "run"),
  Rig: keyword("Rig", "rig"),
  Check: keyword("Check", "check"),
  Rehearse: keyword("Rehearse", "rehearse"),
  Book: keyword("Book", "book"),
  Script: keyword("Script", "script"),
  Call: keyword("Call", "call"),
  Quiet: keyword("Quiet", "quiet"),
  Log: keyword("Log", "log"),
  Osc: keyword("Osc", "osc"),
  Off: keyword("Off", "off"),
  Not: keyword("Not", "not"),
  Lit: keyword("Lit", "lit"),
  Again: keyword("Again", "again"),
  AtWord: keyword("AtWord", "at"),
  None: keyword("None", "none"),
  Follows: keyword("Follows", "follows"),
  End: keyword("End", "end"),
  Begin: keyword("Begin", "begin"),
  On: keyword("On", "on"),
  Go: keyword("Go", "go"),
  Insert: keyword("Insert", "insert"),
  Carries: keyword("Carries", "carries"),
  Track: keyword("Track", "track"),
  Isolated: keyword("Isolated", "isolated"),
  Others: keyword("Others", "others"),
  Home: keyword("Home", "home"),
  Find: keyword("Find", "find"),
  Help: keyword("Help", "help"),
  New: keyword("New", "new"),
  Ranges: keyword("Ranges", "ranges"),
  CuesWord: keyword("CuesWord", "cues"),
  Leave: keyword("Leave", "leave"),
  MovesWord: keyword("MovesWord", "moves"),
  Accept: keyword("Accept", "accept"),
  History: keyword("History", "history"),
  Paper: keyword("Paper", "paper"),
  Planner: keyword("Planner", "planner"),
  NameWord: keyword("NameWord", "name"),
  Last: keyword("Last", "last"),
  ListWord: keyword("ListWord", "list"),
  Map: keyword("Map", "map"),
  Turned: keyword("Turned", "turned"),
  Stored: keyword("Stored", "stored"),
  Along: keyword("Along", "along"),
  Looks: keyword("Looks", "looks"),
  Show: keyword("Show", "show"),
  Hide: keyword("Hide", "hide"),
  Pictures: keyword("Pictures", "pictures"),
  Scenes: keyword("Scenes", "scenes"),
  Parts: keyword("Parts", "parts"),
  Attributes: keyword("Attributes", "attributes"),
  Moving: keyword("Moving", "moving"),
  Tracked: keyword("Tracked", "tracked"),
  Hints: keyword("Hints", "hints"),
  Start: keyword("Start", "start"),
  Hold: keyword("Hold", "hold"),
  Resume: keyword("Resume", "resume"),
  Rate: keyword("Rate", "rate"),
  Master: keyword("Master", "master"),
  Raise: keyword("Raise", "raise"),
  Tempo: keyword("Tempo", "tempo"),
  After: keyword("After", "after"),
  Actions: keyword("Actions", "actions"),
  WaveWord: keyword("WaveWord", "wave"),
  Every: keyword("Every", "every"),
  Spread: keyword("Spread", "spread"),
  Stop: keyword("Stop", "stop"),
  Fader: keyword("Fader", "fader"),
  Catch: keyword("Catch", "catch"),
  Back: keyword("Back", "back"),
  Standby: keyword("Standby", "standby"),
  Prepared: keyword("Prepared", "prepared"),
  ViewWord: keyword("ViewWord", "view"),
  Dark: keyword("Dark", "dark"),
  Before: keyword("Before", "before"),
  Takes: keyword("Takes", "takes"),
  Waits: keyword("Waits", "waits"),
  Over: keyword("Over", "over"),
  Without: keyword("Without", "without"),
  Also: keyword("Also", "also"),
  With: keyword("With", "with"),
  Fire: keyword("Fire", "fire"),
  SetWord: keyword("SetWord", "set"),
  Put: keyword("Put", "put"),
  Hand: keyword("Hand", "hand"),
  Once: keyword("Once", "once"),
  Blackout: keyword("Blackout", "blackout"),
  Grand: keyword("Grand", "grand"),
  Priority: keyword("Priority", "priority"),
  Highest: keyword("Highest", "highest"),
  Latest: keyword("Latest", "latest"),
  Steps: keyword("Steps", "steps"),
  Rounds: keyword("Rounds", "rounds"),
  Forward: keyword("Forward", "forward"),
  Bounce: keyword("Bounce", "bounce"),
  Shuffle: keyword("Shuffle", "shuffle"),
  Waves: keyword("Waves", "waves"),
  Pass: keyword("Pass", "pass"),
  Running: keyword("Running", "running"),
  Where: keyword("Where", "where"),
  Uses: keyword("Uses", "uses"),
  Switch: keyword("Switch", "switch"),
  Solo: keyword("Solo", "solo"),
  Everywhere: keyword("Everywhere", "everywhere"),
  MovementWord: keyword("MovementWord", "movement"),
  Kelvin: keyword("Kelvin", "kelvin"),
  TintWord: keyword("TintWord", "tint"),
  TintsWord: keyword("TintsWord", "tints"),
  PalettesWord: keyword("PalettesWord", "palettes"),
  Rgb: keyword("Rgb", "rgb"),
  Cmy: keyword("Cmy", "cmy"),
  Hue: keyword("Hue", "hue"),
  Notes: keyword("Notes", "notes"),
  Bring: keyword("Bring", "bring"),
  Send: keyword("Send", "send"),
  Backup: keyword("Backup", "backup"),
  People: keyword("People", "people"),
  Servers: keyword("Servers", "servers"),
  Tick: keyword("Tick", "tick"),
  Walk: keyword("Walk", "walk"),
  Whole: keyword("Whole", "whole"),
  Aim: keyword("Aim", "aim"),
  Across: keyword("Across", "across"),
  Deep: keyword("Deep", "deep"),
  Page: keyword("Page", "page"),
  Press: keyword("Press", "press"),
  Identify: keyword("Identify", "identify"),
  Park: keyword("Park", "park"),
  Unpark: keyword("Unpark", "unpark"),
};

/** A family whose moves have times of their own in a cue; it may stand wherever an attribute may. */
const FamilyWord = createToken({ name: "FamilyWord", pattern: /position|colour|beam/i, longer_alt: Word, categories: [Name, Word] });

/** Signs, numbers and texts in quotation marks. */
const signs = {
  Text: createToken({ name: "Text", pattern: /"[^"]*"/ }),
  Tilde: createToken({ name: "Tilde", pattern: /~/ }),
  Decimal: createToken({ name: "Decimal", pattern: /\d+(\.\d+)?/ }),
  Through: createToken({ name: "Through", pattern: /\.\./ }),
  Hash: createToken({ name: "Hash", pattern: /#/ }),
  At: createToken({ name: "At", pattern: /@/ }),
  Colon: createToken({ name: "Colon", pattern: /:/ }),
  Comma: createToken({ name: "Comma", pattern: /,/ }),
  Slash: createToken({ name: "Slash", pattern: /\// }),
  AtLeast: createToken({ name: "AtLeast", pattern: />=|≥/ }),
  AtMost: createToken({ name: "AtMost", pattern: /<=|≤/ }),
  Above: createToken({ name: "Above", pattern: />/ }),
  Below: createToken({ name: "Below", pattern: /</ }),
  Equals: createToken({ name: "Equals", pattern: /=/ }),
  Plus: createToken({ name: "Plus", pattern: /\+/ }),
  Minus: createToken({ name: "Minus", pattern: /[-−]/ }),
  Star: createToken({ name: "Star", pattern: /[*×]/ }),
  Percent: createToken({ name: "Percent", pattern: /%/ }),
};

/** Words behind which a time stands; only there "1:30" is one, so that "#12:30 = 5" stays what it is. */
const { UpTime, DownTime, Fade, Delay, End, Go, Last, After, In, Every, Takes, Waits } = keywords;
const TIME_WORDS: readonly TokenType[] = [
  UpTime,
  DownTime,
  Fade,
  Delay,
  FamilyWord,
  End,
  Go,
  Last,
  After,
  In,
  Every,
  Takes,
  Waits,
  signs.Tilde,
];
/** Minutes and seconds: "1:30". */
const CLOCK = /\d+:[0-5]\d(\.\d+)?/y;
const Clock = createToken({
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

/**
 * Everything that a line can be made of, by name, for the rules of the grammar.
 * A new keyword is one entry here; longer words come before shorter ones by themselves.
 */
export const word = { Name, Word, FamilyWord, Clock, ...keywords, ...signs };

/** The keywords, the longer before the shorter: a reader takes the first that fits, so "update" must be tried before "up". */
const longestFirst = Object.values(keywords).sort((a, b) => textOf(b).length - textOf(a).length);

/**
 * Every word of the line entry in the order in which they are tried: keywords before plain words, a time before a number.
 * The order matters: the first that matches is taken.
 */
export const lineTokens: TokenType[] = [
  Space,
  Name,
  signs.Text,
  FamilyWord,
  ...longestFirst,
  Word,
  Clock,
  ...Object.values(signs).filter((sign) => sign !== signs.Text),
];

/**
 * The text of each keyword, by the name of its kind.
 * For completion and for the refusals that name what could stand there.
 */
export const KEYWORDS: ReadonlyMap<string, string> = new Map(longestFirst.map((token) => [token.name, textOf(token)]));

/** The text that a keyword is written as. */
function textOf({ PATTERN }: TokenType): string {
  return PATTERN instanceof RegExp ? PATTERN.source : "";
}
