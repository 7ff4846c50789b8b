// The lowest of the layers of the grammar (lights, then times, then cues): each is a class because the parser package reads its rules from one.
import { EmbeddedActionsParser, type IToken } from "chevrotain";
import { readSeconds } from "../time/readTime.ts";
import type { Lights, Named, Range, TypedChange, TypedColour, TypedMark, TypedOperation, TypedTiming, TypedWave } from "./sentence.ts";
import { lineTokens, word } from "./tokens.ts";

/**
 * The rules for lights, what is done to them, and ranges of cues, on which every sentence is built.
 * The lowest of the three classes of rules: times and cues build on it.
 */
export class LightRules extends EmbeddedActionsParser {
  /** Recovery is off: a half-read sentence must never become an edit. */
  constructor() {
    super(lineTokens, { recoveryEnabled: false });
  }

  /** `10..20`, or one cue: a range with two equal ends. The `#` before it belongs to the rule that calls. */
  protected readonly cueRange = this.RULE("cueRange", (): Range => {
    const from = this.CONSUME(word.Decimal).image;
    const to = this.OPTION(() => {
      this.CONSUME(word.Through);
      return this.CONSUME2(word.Decimal).image;
    });
    return { from, to: to ?? from };
  });

  /** `5, 7..9, @front / 2`: terms in the order typed, of which every n-th light counts (1: all). */
  protected readonly lights = this.RULE("lights", (): Lights => {
    const terms: Lights["terms"] = [];
    this.AT_LEAST_ONE_SEP({ SEP: word.Comma, DEF: () => terms.push(this.SUBRULE(this.term)) });
    const every = this.OPTION(() => {
      this.CONSUME(word.Slash);
      return Number(this.CONSUME(word.Decimal).image);
    });
    return { terms, every: every ?? 1 };
  });

  /** One light, a span with both ends in it, or a group by its name. */
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

  /** What is done to lights: `- 10` is less by ten, `= -20` is a value below 0; `-20` is one where the attribute goes below 0. */
  protected readonly operation = this.RULE("operation", (): TypedOperation =>
    this.OR<TypedOperation>([
      { ALT: () => (this.CONSUME(word.Equals), this.SUBRULE(this.target)) },
      { ALT: () => (this.CONSUME(word.Plus), { add: Number(this.CONSUME(word.Decimal).image) }) },
      {
        ALT: () => {
          const minus = this.CONSUME(word.Minus);
          const number = this.CONSUME2(word.Decimal);
          return { add: -Number(number.image), isTight: number.startOffset === minus.startOffset + 1 };
        },
      },
      { ALT: () => (this.CONSUME(word.Star), { scale: Number(this.CONSUME3(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.Release), { release: true }) },
      { ALT: () => (this.CONSUME(word.Home), { home: true }) },
      { ALT: () => (this.CONSUME(word.Lit), { lit: true }) },
      { ALT: () => (this.CONSUME(word.Drop), { drop: true }) },
      { ALT: () => (this.CONSUME(word.To), this.CONSUME(word.Part), { part: Number(this.CONSUME4(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.MovementWord), { movement: named(this.CONSUME(word.Name)) }) },
      { ALT: () => (this.CONSUME(word.WaveWord), { wave: this.SUBRULE(this.wave) }) },
      { ALT: () => ({ prepared: this.SUBRULE(this.prepared) }) },
      { ALT: () => this.SUBRULE(this.ownTimes) },
    ]),
  );

  /** `sine 30 every 4 spread 0~360`, `flicker 10 at slow`; `stop` lets it stand, `none` (null) forgets what is said of it. */
  protected readonly wave = this.RULE("wave", (): TypedWave | null =>
    this.OR<TypedWave | null>([
      { ALT: () => (this.CONSUME(word.Stop), { stop: true }) },
      { ALT: () => (this.CONSUME(word.None), null) },
      {
        ALT: () => {
          const shape = named(this.CONSUME(word.Word));
          const size = this.SUBRULE(this.amount);
          const rate = this.SUBRULE(this.waveRate);
          const phase = this.OPTION(() => (this.CONSUME(word.Spread), this.SUBRULE2(this.amount)));
          return { shape, size, ...rate, ...(phase === undefined ? {} : { phase }) };
        },
      },
    ]),
  );

  /** `prepared in #10`, `prepared in view`, `prepared dark`, `takes 6 waits 2`, `prepared none`: how lights move in the dark (docs/rules.md, Marks). */
  protected readonly prepared = this.RULE("prepared", (): TypedMark | null => {
    this.CONSUME(word.Prepared);
    const mark: TypedMark = {};
    return this.OR<TypedMark | null>([
      { ALT: () => (this.CONSUME(word.None), null) },
      {
        ALT: () => {
          this.AT_LEAST_ONE(() => this.SUBRULE(this.preparedOption, { ARGS: [mark] }));
          return mark;
        },
      },
    ]);
  });

  /** One thing about how lights are prepared, written into what was read before it. */
  private readonly preparedOption = this.RULE("preparedOption", (mark: TypedMark = {}): void => {
    this.OR([
      {
        ALT: () => {
          this.CONSUME(word.In);
          this.OR2([
            { ALT: () => (this.CONSUME(word.ViewWord), (mark.view = true)) },
            { ALT: () => (this.CONSUME(word.Hash), (mark.at = this.CONSUME(word.Decimal).image)) },
          ]);
        },
      },
      { ALT: () => (this.CONSUME(word.Before), (mark.policy = "before")) },
      { ALT: () => (this.CONSUME(word.Dark), (mark.policy = "dark")) },
      { ALT: () => (this.CONSUME(word.Takes), (mark.fade = this.SUBRULE(this.secondsOrNone))) },
      { ALT: () => (this.CONSUME(word.Waits), (mark.delay = this.SUBRULE2(this.secondsOrNone))) },
    ]);
  });

  /** Seconds, or null for `none`. */
  protected readonly secondsOrNone = this.RULE("secondsOrNone", (): number | null =>
    this.OR<number | null>([{ ALT: () => this.SUBRULE(this.seconds) }, { ALT: () => (this.CONSUME(word.None), null) }]),
  );

  /** How often a wave comes round: `every 4` seconds, or `at slow`, a tempo. */
  private readonly waveRate = this.RULE("waveRate", (): { period: number | string } | { tempo: Named } =>
    this.OR<{ period: number | string } | { tempo: Named }>([
      { ALT: () => (this.CONSUME(word.Every), { period: this.SUBRULE(this.amount) }) },
      { ALT: () => (this.CONSUME(word.AtWord), { tempo: named(this.CONSUME(word.Name)) }) },
    ]),
  );

  /** Times that moves have for themselves: a pace by its name, a factor, or fade, delay and curve in any order. */
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
                  this.OPTION3(() => (this.CONSUME(word.Over), (times.over = this.SUBRULE(this.seconds))));
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

  /** An amount, or null for `none`: what is stored is forgotten and the part's time counts again. */
  private readonly amountOrNone = this.RULE("amountOrNone", (): number | string | null =>
    this.OR<number | string | null>([{ ALT: () => this.SUBRULE(this.amount) }, { ALT: () => (this.CONSUME(word.None), null) }]),
  );

  /** A number, or a fan of them as text (`-30~30`, `0~5/2`, `0~5*3`), which is read by `fan/`. */
  protected readonly amount = this.RULE("amount", (): number | string => {
    const points = [this.SUBRULE(this.signed)];
    this.MANY(() => {
      this.CONSUME(word.Tilde);
      points.push(this.SUBRULE2(this.signed));
    });
    const isFan = (): boolean => points.length > 1;
    const together = this.OPTION({ GATE: isFan, DEF: () => (this.CONSUME(word.Slash), this.CONSUME(word.Decimal).image) });
    const times = this.OPTION2({ GATE: isFan, DEF: () => (this.CONSUME(word.Star), this.CONSUME2(word.Decimal).image) });
    if (points.length < 2) return points[0] ?? 0;
    return `${points.join("~")}${together === undefined ? "" : `/${together}`}${times === undefined ? "" : `*${times}`}`;
  });

  /** A number that may be below 0. */
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

  /** `tint 101`, `kelvin 3200`, `rgb 100 60 20`, `cmy 0 40 80`, `hue 30 80`: a colour, whatever mixes it. */
  private readonly colour = this.RULE("colour", (): TypedColour =>
    this.OR<TypedColour>([
      {
        ALT: () => {
          this.CONSUME(word.TintWord);
          return this.OR2<TypedColour>([
            { ALT: () => ({ tint: named(this.CONSUME(word.Decimal)) }) },
            { ALT: () => ({ tint: unquoted(this.CONSUME(word.Text)) }) },
            { ALT: () => ({ tint: named(this.CONSUME(word.Name)) }) },
          ]);
        },
      },
      { ALT: () => (this.CONSUME(word.Kelvin), { kelvin: Number(this.CONSUME2(word.Decimal).image) }) },
      { ALT: () => (this.CONSUME(word.Rgb), { rgb: this.SUBRULE(this.threeParts) }) },
      { ALT: () => (this.CONSUME(word.Cmy), { cmy: this.SUBRULE2(this.threeParts) }) },
      {
        ALT: () => {
          this.CONSUME(word.Hue);
          const hue = Number(this.CONSUME3(word.Decimal).image);
          const saturation = this.OPTION(() => Number(this.CONSUME4(word.Decimal).image));
          const value = this.OPTION2(() => Number(this.CONSUME5(word.Decimal).image));
          return { hue, saturation: saturation ?? 100, value: value ?? 100 };
        },
      },
    ]),
  );

  /** Three numbers, one behind the other. */
  private readonly threeParts = this.RULE("threeParts", (): [number, number, number] => [
    Number(this.CONSUME(word.Decimal).image),
    Number(this.CONSUME2(word.Decimal).image),
    Number(this.CONSUME3(word.Decimal).image),
  ]);

  /** What stands behind `=`. A name is tried last: `full` and `out` are levels even where a palette is called so. */
  protected readonly target = this.RULE("target", (): TypedChange =>
    this.OR<TypedChange>({
      IGNORE_AMBIGUITIES: true,
      DEF: [
        { ALT: () => ({ colour: this.SUBRULE(this.colour) }) },
        { ALT: () => (this.CONSUME(word.Full), { set: 100 }) },
        { ALT: () => (this.CONSUME(word.Out), { set: 0 }) },
        { ALT: () => ({ set: this.SUBRULE(this.amount) }) },
        { ALT: () => ({ palette: named(this.CONSUME(word.Name)) }) },
      ],
    }),
  );
}

/**
 * What stands between quotation marks, with the place where they begin.
 * Characters count from 0.
 */
export function unquoted(token: IToken): Named {
  return { name: token.image.slice(1, -1), at: token.startOffset };
}

/**
 * A word with the place where it stands, counted from 0, so that a refusal can point at it.
 * Characters count from 0.
 */
export function named(token: IToken): Named {
  return { name: token.image, at: token.startOffset };
}
