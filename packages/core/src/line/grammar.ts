import { EmbeddedActionsParser, type IToken, Lexer } from "chevrotain";
import type { Lights, Named, Range, Sentence, TypedChange, TypedDeed, TypedTiming } from "./sentence.ts";
import * as word from "./tokens.ts";

/** A line that cannot be read: what is wrong, and where in the text. */
export interface LineFault {
  message: string;
  at: number;
  length: number;
}

class LineParser extends EmbeddedActionsParser {
  constructor() {
    super(word.lineTokens, { recoveryEnabled: false });
    this.performSelfAnalysis();
  }

  readonly sentence = this.RULE("sentence", (): Sentence =>
    this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.Undo), { kind: "history", what: "undo" }) },
      { ALT: () => (this.CONSUME(word.Redo), { kind: "history", what: "redo" }) },
      { ALT: () => this.SUBRULE(this.flag) },
      { ALT: () => this.SUBRULE(this.recast) },
      { ALT: () => this.SUBRULE(this.swapPalette) },
      { ALT: () => this.SUBRULE(this.wholeCue) },
      { ALT: () => this.SUBRULE(this.onCues) },
      { ALT: () => this.SUBRULE(this.onTimes, { ARGS: [undefined] }) },
      { ALT: () => this.SUBRULE(this.onLights, { ARGS: [undefined] }) },
    ]),
  );

  private readonly flag = this.RULE("flag", (): Sentence => {
    const what = this.OR<"block" | "unblock" | "assert" | "unassert">([
      { ALT: () => (this.CONSUME(word.Block), "block") },
      { ALT: () => (this.CONSUME(word.Unblock), "unblock") },
      { ALT: () => (this.CONSUME(word.Assert), "assert") },
      { ALT: () => (this.CONSUME(word.Unassert), "unassert") },
    ]);
    this.CONSUME(word.Hash);
    return { kind: "flag", what, cues: this.SUBRULE(this.cueRange) };
  });

  private readonly recast = this.RULE("recast", (): Sentence =>
    this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(word.Recast);
          const channel = Number(this.CONSUME(word.Decimal).image);
          this.CONSUME(word.As);
          const as = Number(this.CONSUME2(word.Decimal).image);
          const how = this.OPTION(() => (this.CONSUME(word.Too), "copy" as const)) ?? "replace";
          return { kind: "recast", channel, as, how, cues: this.SUBRULE(this.inCues) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Exchange);
          const channel = Number(this.CONSUME3(word.Decimal).image);
          this.CONSUME(word.And);
          const as = Number(this.CONSUME4(word.Decimal).image);
          return { kind: "recast", channel, as, how: "swap", cues: this.SUBRULE2(this.inCues) };
        },
      },
    ]),
  );

  private readonly swapPalette = this.RULE("swapPalette", (): Sentence => {
    this.CONSUME(word.Swap);
    const palette = named(this.CONSUME(word.Name));
    this.CONSUME(word.For);
    const as = named(this.CONSUME2(word.Name));
    return { kind: "swapPalette", palette, as, cues: this.SUBRULE(this.inCues) };
  });

  private readonly inCues = this.RULE("inCues", (): Range | undefined =>
    this.OPTION(() => {
      this.CONSUME(word.In);
      this.CONSUME(word.Hash);
      return this.SUBRULE(this.cueRange);
    }),
  );

  private readonly wholeCue = this.RULE("wholeCue", (): Sentence =>
    this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(word.Copy);
          const what = this.OPTION(() => (this.CONSUME(word.Look), this.CONSUME(word.Of), "look" as const)) ?? "moves";
          return { kind: "copy", what, ...this.SUBRULE(this.fromTo) };
        },
      },
      { ALT: () => (this.CONSUME(word.Move), { kind: "move", ...this.SUBRULE2(this.fromTo) }) },
      { ALT: () => (this.CONSUME(word.Delete), this.CONSUME(word.Hash), { kind: "delete", cues: this.SUBRULE(this.cueRange) }) },
      {
        ALT: () => {
          this.CONSUME(word.Renumber);
          this.CONSUME2(word.Hash);
          const cues = this.SUBRULE2(this.cueRange);
          this.CONSUME(word.From);
          const start = this.CONSUME(word.Decimal).image;
          const step = this.OPTION2(() => (this.CONSUME(word.By), this.CONSUME2(word.Decimal).image)) ?? "1";
          return { kind: "renumber", cues, start, step };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Split);
          const lights = this.SUBRULE(this.lights);
          const attribute = this.OPTION3(() => named(this.CONSUME(word.Word)));
          this.CONSUME2(word.Of);
          return { kind: "split", lights, ...(attribute ? { attribute } : {}), ...this.SUBRULE3(this.fromTo) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Label);
          this.CONSUME3(word.Hash);
          const cues = this.SUBRULE3(this.cueRange);
          return { kind: "label", cues, label: this.CONSUME(word.Text).image.slice(1, -1) };
        },
      },
    ]),
  );

  private readonly fromTo = this.RULE("fromTo", (): { cue: string; to: string } => {
    this.CONSUME(word.Hash);
    const cue = this.CONSUME(word.Decimal).image;
    this.CONSUME(word.To);
    this.CONSUME2(word.Hash);
    return { cue, to: this.CONSUME2(word.Decimal).image };
  });

  private readonly onCues = this.RULE("onCues", (): Sentence => {
    this.CONSUME(word.Hash);
    const cues = this.SUBRULE(this.cueRange);
    return (
      this.OPTION(() => {
        this.CONSUME(word.Colon);
        return this.OR<Sentence>([
          { ALT: () => this.SUBRULE(this.onTimes, { ARGS: [cues] }) },
          { ALT: () => this.SUBRULE(this.onLights, { ARGS: [cues] }) },
        ]);
      }) ?? { kind: "goCue", cues }
    );
  });

  private readonly cueRange = this.RULE("cueRange", (): Range => {
    const from = this.CONSUME(word.Decimal).image;
    const to = this.OPTION(() => {
      this.CONSUME(word.Through);
      return this.CONSUME2(word.Decimal).image;
    });
    return { from, to: to ?? from };
  });

  private readonly onTimes = this.RULE("onTimes", (cues: Range | undefined): Sentence =>
    this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(word.Times);
          this.CONSUME(word.Star);
          return { kind: "times", cues, scale: Number(this.CONSUME(word.Decimal).image) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.UpTime);
          const up = Number(this.CONSUME2(word.Decimal).image);
          const down = this.OPTION(() => {
            this.CONSUME(word.DownTime);
            return Number(this.CONSUME3(word.Decimal).image);
          });
          return { kind: "times", cues, up, ...(down === undefined ? {} : { down }) };
        },
      },
      {
        ALT: () => {
          this.CONSUME2(word.DownTime);
          return { kind: "times", cues, down: Number(this.CONSUME4(word.Decimal).image) };
        },
      },
    ]),
  );

  private readonly onLights = this.RULE("onLights", (cues: Range | undefined): Sentence => {
    const lights = this.SUBRULE(this.lights);
    const attribute = this.OPTION(() => named(this.CONSUME(word.Word)));
    const deed = this.OPTION2(() => this.SUBRULE(this.deed));
    const only = this.OPTION3(() => this.CONSUME(word.Only)) !== undefined;
    return { kind: "lights", cues, lights, only, ...(attribute ? { attribute } : {}), ...(deed ? { deed } : {}) };
  });

  private readonly lights = this.RULE("lights", (): Lights => {
    const terms: Lights["terms"] = [];
    this.AT_LEAST_ONE_SEP({ SEP: word.Comma, DEF: () => terms.push(this.SUBRULE(this.term)) });
    const every = this.OPTION(() => {
      this.CONSUME(word.Slash);
      return Number(this.CONSUME(word.Decimal).image);
    });
    return { terms, every: every ?? 1 };
  });

  private readonly term = this.RULE("term", (): Lights["terms"][number] =>
    this.OR<Lights["terms"][number]>([
      {
        ALT: () => {
          this.CONSUME(word.At);
          return { group: named(this.CONSUME(word.Name)) };
        },
      },
      {
        ALT: () => {
          const first = this.CONSUME(word.Decimal);
          const last = this.OPTION(() => {
            this.CONSUME(word.Through);
            return this.CONSUME2(word.Decimal).image;
          });
          return { first: Number(first.image), last: Number(last ?? first.image), at: first.startOffset };
        },
      },
    ]),
  );

  private readonly deed = this.RULE("deed", (): TypedDeed =>
    this.OR<TypedDeed>([
      { ALT: () => (this.CONSUME(word.Equals), this.SUBRULE(this.target)) },
      { ALT: () => (this.CONSUME(word.Plus), { add: Number(this.CONSUME(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.Minus), { add: -Number(this.CONSUME2(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.Star), { scale: Number(this.CONSUME3(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.Release), { release: true }) },
      { ALT: () => (this.CONSUME(word.Drop), { drop: true }) },
      { ALT: () => (this.CONSUME(word.To), this.CONSUME(word.Part), { part: Number(this.CONSUME4(word.Decimal).image) }) },
      { ALT: () => this.SUBRULE(this.ownTimes) },
    ]),
  );

  private readonly ownTimes = this.RULE("ownTimes", (): TypedTiming =>
    this.OR<TypedTiming>([
      { ALT: () => (this.CONSUME(word.Pace), { times: { pace: named(this.CONSUME(word.Name)) } }) },
      {
        ALT: () => {
          const times: TypedTiming["times"] = {};
          this.AT_LEAST_ONE(() =>
            this.OR2([
              { ALT: () => (this.CONSUME(word.Fade), (times.fade = this.SUBRULE(this.amount))) },
              { ALT: () => (this.CONSUME(word.Delay), (times.delay = this.SUBRULE2(this.amount))) },
              { ALT: () => (this.CONSUME(word.Curve), (times.curve = named(this.CONSUME(word.Word)))) },
            ]),
          );
          return { times };
        },
      },
    ]),
  );

  /** A number, or a fan of them. */
  private readonly amount = this.RULE("amount", (): number | string => {
    const points = [this.SUBRULE(this.signed)];
    this.MANY(() => {
      this.CONSUME(word.Tilde);
      points.push(this.SUBRULE2(this.signed));
    });
    return points.length > 1 ? points.join("~") : (points[0] ?? 0);
  });

  private readonly signed = this.RULE("signed", (): number => {
    const below = this.OPTION(() => this.CONSUME(word.Minus)) !== undefined;
    const value = Number(this.CONSUME(word.Decimal).image);
    return below ? -value : value;
  });

  private readonly target = this.RULE("target", (): TypedChange =>
    this.OR<TypedChange>({
      IGNORE_AMBIGUITIES: true,
      DEF: [
        { ALT: () => (this.CONSUME(word.Full), { set: 100 }) },
        { ALT: () => (this.CONSUME(word.Out), { set: 0 }) },
        { ALT: () => ({ set: this.SUBRULE(this.amount) }) },
        { ALT: () => ({ palette: named(this.CONSUME(word.Name)) }) },
      ],
    }),
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
  reader ??= { lexer: new Lexer(word.lineTokens), parser: new LineParser() };
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
