import { TIMED_FAMILIES, type Trigger } from "../show/schema.ts";
import { LightRules, named } from "./lightRules.ts";
import type { Relation } from "../ask/question.ts";
import type { Named, Sentence, TypedColumn, TypedPartTimes, TypedQuestion, TypedTime } from "./sentence.ts";
import { word } from "./tokens.ts";

/**
 * The rules for the times of cues and for what fires them. All times are seconds, or minutes and seconds as `1:30`.
 * Families and directions are told apart by their words, which are keywords of the line.
 */
export class TimeRules extends LightRules {
  /** One time or more of a part: `up 3 down 5 position 2 delay 1`. */
  protected readonly partTimes = this.RULE("partTimes", (): TypedPartTimes => {
    const times: TypedPartTimes = {};
    this.AT_LEAST_ONE(() => this.SUBRULE(this.partTime, { ARGS: [times] }));
    return times;
  });

  /** One of the times of a part, written into those that were read before it. */
  protected readonly partTime = this.RULE("partTime", (times: TypedPartTimes = {}): void => {
    this.OR([
      { ALT: () => (times.curve = this.SUBRULE(this.curve)) },
      {
        ALT: () => {
          const name = this.SUBRULE(this.timed);
          times[name] = this.OR2<TypedTime>([
            { ALT: () => ({ ...times[name], curve: this.SUBRULE2(this.curve) }) },
            {
              ALT: () => {
                const time = this.SUBRULE(this.timeAndDelay);
                // Behind the times of a family its curve, behind those of levels that of all.
                const curve = this.OPTION({
                  GATE: () => name !== "up" && name !== "down",
                  DEF: () => this.SUBRULE3(this.curve),
                });
                return { ...times[name], ...time, ...(curve === undefined ? {} : { curve }) };
              },
            },
          ]);
        },
      },
    ]);
  });

  /** What is asked of cues: a time, whom they move, what they use, or a value that lights show. */
  protected readonly question = this.RULE("question", (): TypedQuestion =>
    this.OR<TypedQuestion>([
      { ALT: () => (this.CONSUME(word.Uses), { about: "uses", name: named(this.CONSUME(word.Name)) }) },
      { ALT: () => (this.CONSUME(word.MovesWord), { about: "moves", lights: this.SUBRULE(this.lights) }) },
      {
        ALT: () => {
          const of = this.SUBRULE(this.timed);
          const column = { of, delay: this.OPTION(() => this.CONSUME(word.Delay)) !== undefined };
          return { about: "time", column, is: this.SUBRULE(this.comparison), value: this.SUBRULE(this.signed) };
        },
      },
      {
        ALT: () => {
          const lights = this.SUBRULE2(this.lights);
          const attribute = this.OPTION2(() => named(this.CONSUME(word.Word)));
          return this.OR2<TypedQuestion>([
            {
              ALT: () => {
                this.CONSUME(word.Equals);
                return this.OR3<TypedQuestion>([
                  {
                    ALT: () => ({
                      about: "value",
                      lights,
                      ...(attribute ? { attribute } : {}),
                      is: "=",
                      value: this.SUBRULE2(this.signed),
                    }),
                  },
                  { ALT: () => ({ about: "shows", lights, palette: named(this.CONSUME2(word.Name)) }) },
                ]);
              },
            },
            {
              ALT: () => {
                const is = this.SUBRULE2(this.inequality);
                return { about: "value", lights, ...(attribute ? { attribute } : {}), is, value: this.SUBRULE3(this.signed) };
              },
            },
          ]);
        },
      },
    ]),
  );

  /** How a number is held against another. */
  private readonly comparison = this.RULE("comparison", (): Relation =>
    this.OR<Relation>([{ ALT: () => this.SUBRULE(this.inequality) }, { ALT: () => (this.CONSUME(word.Equals), "=") }]),
  );

  /** Above or below a number, with or without the number itself. */
  private readonly inequality = this.RULE("inequality", (): Relation =>
    this.OR<Relation>([
      { ALT: () => (this.CONSUME(word.AtLeast), ">=") },
      { ALT: () => (this.CONSUME(word.AtMost), "<=") },
      { ALT: () => (this.CONSUME(word.Above), ">") },
      { ALT: () => (this.CONSUME(word.Below), "<") },
    ]),
  );

  /** What of a cue has times of its own: levels that rise or fall, and the other families. */
  private readonly timed = this.RULE("timed", (): TypedColumn["of"] =>
    this.OR<TypedColumn["of"]>([
      { ALT: () => (this.CONSUME(word.UpTime), "up") },
      { ALT: () => (this.CONSUME(word.DownTime), "down") },
      {
        ALT: () => {
          const { image } = this.CONSUME(word.FamilyWord);
          return TIMED_FAMILIES.find((family) => family === image.toLowerCase()) ?? "position";
        },
      },
    ]),
  );

  /** `curve ease`; null for `curve none`. */
  private readonly curve = this.RULE("curve", (): Named | null => {
    this.CONSUME(word.Curve);
    return this.OR<Named | null>([{ ALT: () => named(this.CONSUME(word.Word)) }, { ALT: () => (this.CONSUME(word.None), null) }]);
  });

  /** Columns of times with their factor: `down * 1.2`, `up, position delay + 20 %`; `times` for all of them. */
  protected readonly scaledTimes = this.RULE("scaledTimes", (): { scale: number; of?: TypedColumn[] } => {
    const of: TypedColumn[] = [];
    this.OR([
      { ALT: () => this.CONSUME(word.Times) },
      {
        ALT: () =>
          this.AT_LEAST_ONE_SEP({
            SEP: word.Comma,
            DEF: () => {
              const column = this.SUBRULE(this.timed);
              of.push({ of: column, delay: this.OPTION(() => this.CONSUME(word.Delay)) !== undefined });
            },
          }),
      },
    ]);
    const scale = this.OR2<number>([
      { ALT: () => (this.CONSUME(word.Star), Number(this.CONSUME(word.Decimal).image)) },
      { ALT: () => (this.CONSUME(word.Plus), 1 + this.SUBRULE(this.share)) },
      { ALT: () => (this.CONSUME(word.Minus), 1 - this.SUBRULE2(this.share)) },
    ]);
    return { scale: Math.round(scale * 1e6) / 1e6, ...(of.length > 0 ? { of } : {}) };
  });

  /** `3`, `3 delay 1`, `3 + 1`, or `delay 1` alone, which leaves the time as it is. */
  private readonly timeAndDelay = this.RULE("timeAndDelay", (): TypedTime =>
    this.OR<TypedTime>([
      {
        ALT: () => {
          const time = this.SUBRULE(this.secondsOrNone);
          const delay = this.OPTION(() => {
            this.OR2([{ ALT: () => this.CONSUME(word.Delay) }, { ALT: () => this.CONSUME(word.Plus) }]);
            return this.SUBRULE2(this.secondsOrNone);
          });
          return { time, ...(delay === undefined ? {} : { delay }) };
        },
      },
      { ALT: () => (this.CONSUME2(word.Delay), { delay: this.SUBRULE3(this.secondsOrNone) }) },
    ]),
  );

  /** `20 %` as a part of 1. */
  private readonly share = this.RULE("share", (): number => {
    const { image } = this.CONSUME(word.Decimal);
    this.CONSUME(word.Percent);
    return Number(image) / 100;
  });

  /** True where times are taken from elsewhere: `times as …`. */
  private isReady(): boolean {
    return this.LA(1).tokenType === word.Times && this.LA(2).tokenType === word.As;
  }

  /** `times as slow-sweep`, those of a pace; `times as #8`, those of another cue. */
  private readonly readyTimes = this.RULE("readyTimes", (): { ready: Named } | { cue: string } => {
    this.CONSUME(word.Times);
    this.CONSUME(word.As);
    return this.OR<{ ready: Named } | { cue: string }>([
      { ALT: () => (this.CONSUME(word.Hash), { cue: this.CONSUME(word.Decimal).image }) },
      { ALT: () => ({ ready: named(this.CONSUME(word.Name)) }) },
    ]);
  });

  /** True where columns of times are followed by a factor or a share, and not by times. */
  private isScaled(): boolean {
    for (let ahead = 1; ; ahead += 1) {
      const { tokenType } = this.LA(ahead);
      if (tokenType === word.Star || tokenType === word.Times || tokenType === word.Comma) return true;
      if (tokenType === word.Plus || tokenType === word.Minus) return this.LA(ahead + 2).tokenType === word.Percent;
      const inColumn = [word.UpTime, word.DownTime, word.FamilyWord, word.Delay].includes(tokenType);
      if (!inColumn) return false;
    }
  }

  /** `times * 1.2` multiplies every stored time, `down * 1.2` one column; `up 3 down 5` sets those that are named and leaves the others. */
  protected readonly timesChange = this.RULE("timesChange", (): Extract<Sentence, { kind: "times" }>["change"] =>
    // Both begin alike, so what stands behind the columns tells them apart; a line that is not finished is read as times.
    this.OR<Extract<Sentence, { kind: "times" }>["change"]>({
      MAX_LOOKAHEAD: 1,
      DEF: [
        { GATE: () => this.isReady(), ALT: () => this.SUBRULE(this.readyTimes), IGNORE_AMBIGUITIES: true },
        { GATE: () => !this.isReady() && this.isScaled(), ALT: () => this.SUBRULE(this.scaledTimes), IGNORE_AMBIGUITIES: true },
        { GATE: () => !this.isScaled(), ALT: () => ({ set: this.SUBRULE(this.partTimes) }) },
      ],
    }),
  );

  /** What fires a cue: `follows go 2` counts from the Go of the cue before, `follows end 2` from its completion; null for a press (`on go`). */
  protected readonly trigger = this.RULE("trigger", (): Trigger | null =>
    this.OR<Trigger | null>([
      { ALT: () => (this.CONSUME(word.On), this.CONSUME(word.Go), null) },
      {
        ALT: () => {
          this.CONSUME(word.Follows);
          const from = this.OR2<"go" | "complete">([
            { ALT: () => (this.CONSUME2(word.Go), "go") },
            { ALT: () => (this.CONSUME(word.End), "complete") },
          ]);
          const after = this.OPTION(() => this.SUBRULE(this.seconds)) ?? 0;
          return { type: "follow", from, after };
        },
      },
    ]),
  );
}
