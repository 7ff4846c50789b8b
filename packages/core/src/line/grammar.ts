import { EmbeddedActionsParser, type IToken, Lexer } from "chevrotain";
import type { Lights, Named, Range, Sentence, TypedDeed } from "./sentence.ts";
import {
  At,
  Colon,
  Comma,
  Decimal,
  DownTime,
  Drop,
  Equals,
  Full,
  Hash,
  Minus,
  Only,
  Out,
  Plus,
  Redo,
  Release,
  Slash,
  Star,
  Through,
  Times,
  Undo,
  UpTime,
  Word,
  lineTokens,
} from "./tokens.ts";

/** A line that cannot be read: what is wrong, and where in the text. */
export interface LineFault {
  message: string;
  at: number;
  length: number;
}

class LineParser extends EmbeddedActionsParser {
  constructor() {
    super(lineTokens, { recoveryEnabled: false });
    this.performSelfAnalysis();
  }

  readonly sentence = this.RULE("sentence", (): Sentence =>
    this.OR<Sentence>([
      { ALT: () => (this.CONSUME(Undo), { kind: "history", what: "undo" }) },
      { ALT: () => (this.CONSUME(Redo), { kind: "history", what: "redo" }) },
      { ALT: () => this.SUBRULE(this.onCues) },
      { ALT: () => this.SUBRULE(this.onTimes, { ARGS: [undefined] }) },
      { ALT: () => this.SUBRULE(this.onLights, { ARGS: [undefined] }) },
    ]),
  );

  private readonly onCues = this.RULE("onCues", (): Sentence => {
    this.CONSUME(Hash);
    const cues = this.SUBRULE(this.cueRange);
    return (
      this.OPTION(() => {
        this.CONSUME(Colon);
        return this.OR<Sentence>([
          { ALT: () => this.SUBRULE(this.onTimes, { ARGS: [cues] }) },
          { ALT: () => this.SUBRULE(this.onLights, { ARGS: [cues] }) },
        ]);
      }) ?? { kind: "goCue", cues }
    );
  });

  private readonly cueRange = this.RULE("cueRange", (): Range => {
    const from = this.CONSUME(Decimal).image;
    const to = this.OPTION(() => {
      this.CONSUME(Through);
      return this.CONSUME2(Decimal).image;
    });
    return { from, to: to ?? from };
  });

  private readonly onTimes = this.RULE("onTimes", (cues: Range | undefined): Sentence =>
    this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(Times);
          this.CONSUME(Star);
          return { kind: "times", cues, scale: Number(this.CONSUME(Decimal).image) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(UpTime);
          const up = Number(this.CONSUME2(Decimal).image);
          const down = this.OPTION(() => {
            this.CONSUME(DownTime);
            return Number(this.CONSUME3(Decimal).image);
          });
          return { kind: "times", cues, up, ...(down === undefined ? {} : { down }) };
        },
      },
      {
        ALT: () => {
          this.CONSUME2(DownTime);
          return { kind: "times", cues, down: Number(this.CONSUME4(Decimal).image) };
        },
      },
    ]),
  );

  private readonly onLights = this.RULE("onLights", (cues: Range | undefined): Sentence => {
    const lights = this.SUBRULE(this.lights);
    const attribute = this.OPTION(() => named(this.CONSUME(Word)));
    const deed = this.OPTION2(() => this.SUBRULE(this.deed));
    const only = this.OPTION3(() => this.CONSUME(Only)) !== undefined;
    return { kind: "lights", cues, lights, only, ...(attribute ? { attribute } : {}), ...(deed ? { deed } : {}) };
  });

  private readonly lights = this.RULE("lights", (): Lights => {
    const terms: Lights["terms"] = [];
    this.AT_LEAST_ONE_SEP({ SEP: Comma, DEF: () => terms.push(this.SUBRULE(this.term)) });
    const every = this.OPTION(() => {
      this.CONSUME(Slash);
      return Number(this.CONSUME(Decimal).image);
    });
    return { terms, every: every ?? 1 };
  });

  private readonly term = this.RULE("term", (): Lights["terms"][number] =>
    this.OR<Lights["terms"][number]>([
      {
        ALT: () => {
          this.CONSUME(At);
          return { group: named(this.CONSUME(Word)) };
        },
      },
      {
        ALT: () => {
          const first = this.CONSUME(Decimal);
          const last = this.OPTION(() => {
            this.CONSUME(Through);
            return this.CONSUME2(Decimal).image;
          });
          return { first: Number(first.image), last: Number(last ?? first.image), at: first.startOffset };
        },
      },
    ]),
  );

  private readonly deed = this.RULE("deed", (): TypedDeed =>
    this.OR<TypedDeed>([
      { ALT: () => (this.CONSUME(Equals), this.SUBRULE(this.target)) },
      { ALT: () => (this.CONSUME(Plus), { add: Number(this.CONSUME(Decimal).image) }) },
      { ALT: () => (this.CONSUME(Minus), { add: -Number(this.CONSUME2(Decimal).image) }) },
      { ALT: () => (this.CONSUME(Star), { scale: Number(this.CONSUME3(Decimal).image) }) },
      { ALT: () => (this.CONSUME(Release), { release: true }) },
      { ALT: () => (this.CONSUME(Drop), { drop: true }) },
    ]),
  );

  private readonly target = this.RULE("target", (): TypedDeed =>
    this.OR<TypedDeed>([
      { ALT: () => (this.CONSUME(Full), { set: 100 }) },
      { ALT: () => (this.CONSUME(Out), { set: 0 }) },
      { ALT: () => ({ set: Number(this.CONSUME(Decimal).image) }) },
      { ALT: () => (this.CONSUME(Minus), { set: -Number(this.CONSUME2(Decimal).image) }) },
      { ALT: () => ({ palette: named(this.CONSUME(Word)) }) },
    ]),
  );
}

function named(token: IToken): Named {
  return { name: token.image, at: token.startOffset };
}

interface Reader {
  readonly lexer: Lexer;
  readonly parser: LineParser;
}
let reader: Reader | undefined;

/** Made when the first line is read: analysing the grammar takes longer than anything else at the start of a window. */
function lineReader(): Reader {
  reader ??= { lexer: new Lexer(lineTokens), parser: new LineParser() };
  return reader;
}

/** Reads one line of the line entry. An empty line and a line that cannot be read give a fault that points at the word. */
export function parseLine(text: string): { sentence: Sentence } | { fault: LineFault } {
  const { lexer, parser } = lineReader();
  const lexed = lexer.tokenize(text);
  const bad = lexed.errors[0];
  if (bad)
    return {
      fault: { message: `"${text.slice(bad.offset, bad.offset + bad.length)}" means nothing here`, at: bad.offset, length: bad.length },
    };
  parser.input = lexed.tokens;
  const sentence = parser.sentence();
  const error = parser.errors[0];
  if (!error) return { sentence };
  const token = Number.isFinite(error.token.startOffset) ? error.token : undefined;
  if (!token) return { fault: { message: "The line is not finished", at: text.length, length: 1 } };
  return { fault: { message: `"${token.image}" was not expected here`, at: token.startOffset, length: token.image.length } };
}
