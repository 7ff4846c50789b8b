import { EmbeddedActionsParser, type IToken } from "chevrotain";
import { readSeconds } from "../time/readTime.ts";
import type { Lights, Named, Range, TypedChange, TypedOperation, TypedTiming } from "./sentence.ts";
import { lineTokens, word } from "./tokens.ts";

/** The rules for lights, what is done to them, and ranges of cues, on which every sentence is built. */
export class LightRules extends EmbeddedActionsParser {
  constructor() {
    super(lineTokens, { recoveryEnabled: false });
  }

  protected readonly cueRange = this.RULE("cueRange", (): Range => {
    const from = this.CONSUME(word.Decimal).image;
    const to = this.OPTION(() => {
      this.CONSUME(word.Through);
      return this.CONSUME2(word.Decimal).image;
    });
    return { from, to: to ?? from };
  });

  protected readonly lights = this.RULE("lights", (): Lights => {
    const terms: Lights["terms"] = [];
    this.AT_LEAST_ONE_SEP({ SEP: word.Comma, DEF: () => terms.push(this.SUBRULE(this.term)) });
    const every = this.OPTION(() => {
      this.CONSUME(word.Slash);
      return Number(this.CONSUME(word.Decimal).image);
    });
    return { terms, every: every ?? 1 };
  });

  protected readonly term = this.RULE("term", (): Lights["terms"][number] =>
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

  protected readonly operation = this.RULE("operation", (): TypedOperation =>
    this.OR<TypedOperation>([
      { ALT: () => (this.CONSUME(word.Equals), this.SUBRULE(this.target)) },
      { ALT: () => (this.CONSUME(word.Plus), { add: Number(this.CONSUME(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.Minus), { add: -Number(this.CONSUME2(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.Star), { scale: Number(this.CONSUME3(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.Release), { release: true }) },
      { ALT: () => (this.CONSUME(word.Home), { home: true }) },
      { ALT: () => (this.CONSUME(word.Drop), { drop: true }) },
      { ALT: () => (this.CONSUME(word.To), this.CONSUME(word.Part), { part: Number(this.CONSUME4(word.Decimal).image) }) },
      { ALT: () => this.SUBRULE(this.ownTimes) },
    ]),
  );

  protected readonly ownTimes = this.RULE("ownTimes", (): TypedTiming =>
    this.OR<TypedTiming>([
      { ALT: () => (this.CONSUME(word.Pace), { times: { pace: named(this.CONSUME(word.Name)) } }) },
      { ALT: () => (this.CONSUME(word.Times), this.CONSUME(word.Star), { times: { scale: Number(this.CONSUME(word.Decimal).image) } }) },
      {
        ALT: () => {
          const times: TypedTiming["times"] = {};
          this.AT_LEAST_ONE(() =>
            this.OR2([
              {
                ALT: () => {
                  this.CONSUME(word.Fade);
                  times.fade = this.SUBRULE(this.amountOrNone);
                  this.OPTION(() => (this.CONSUME(word.Plus), (times.delay = this.SUBRULE3(this.amountOrNone))));
                },
              },
              { ALT: () => (this.CONSUME(word.Delay), (times.delay = this.SUBRULE2(this.amountOrNone))) },
              { ALT: () => (this.CONSUME(word.Curve), (times.curve = named(this.CONSUME(word.Word)))) },
            ]),
          );
          return { times };
        },
      },
    ]),
  );

  private readonly amountOrNone = this.RULE("amountOrNone", (): number | string | null =>
    this.OR<number | string | null>([{ ALT: () => this.SUBRULE(this.amount) }, { ALT: () => (this.CONSUME(word.None), null) }]),
  );

  /** A number, or a fan of them. */
  protected readonly amount = this.RULE("amount", (): number | string => {
    const points = [this.SUBRULE(this.signed)];
    this.MANY(() => {
      this.CONSUME(word.Tilde);
      points.push(this.SUBRULE2(this.signed));
    });
    return points.length > 1 ? points.join("~") : (points[0] ?? 0);
  });

  protected readonly signed = this.RULE("signed", (): number => {
    const below = this.OPTION(() => this.CONSUME(word.Minus)) !== undefined;
    const value = this.SUBRULE(this.seconds);
    return below ? -value : value;
  });

  /** A number, or behind a word for a time also minutes and seconds. */
  protected readonly seconds = this.RULE("seconds", (): number =>
    this.OR<number>([
      { ALT: () => Number(this.CONSUME(word.Decimal).image) },
      { ALT: () => readSeconds(this.CONSUME(word.Clock).image) ?? 0 },
    ]),
  );

  protected readonly target = this.RULE("target", (): TypedChange =>
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

/** A token with the place where it stands. */
export function named(token: IToken): Named {
  return { name: token.image, at: token.startOffset };
}
