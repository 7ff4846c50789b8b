import { TIMED_FAMILIES, type Trigger } from "../show/schema.ts";
import { LightRules, named } from "./lightRules.ts";
import type { TypedAction, TypedPartTimes, TypedTime, Named, TypedPress } from "./sentence.ts";
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
    const name = this.OR<keyof TypedPartTimes>([
      { ALT: () => (this.CONSUME(word.UpTime), "up") },
      { ALT: () => (this.CONSUME(word.DownTime), "down") },
      {
        ALT: () => {
          const { image } = this.CONSUME(word.FamilyWord);
          return TIMED_FAMILIES.find((family) => family === image.toLowerCase()) ?? "position";
        },
      },
    ]);
    times[name] = this.SUBRULE(this.timeAndDelay);
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

  /** Seconds, or null for `none`. */
  private readonly secondsOrNone = this.RULE("secondsOrNone", (): number | null =>
    this.OR<number | null>([{ ALT: () => this.SUBRULE(this.seconds) }, { ALT: () => (this.CONSUME(word.None), null) }]),
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

  /** What a cue does besides: `start sea at #3 after 1`, `release sea in 4`, `rate sea 1.5`, `master sea 60 in 3`, `raise warmers to 80`, `tempo slow 96`; null for `actions none`. */
  protected readonly action = this.RULE("action", (): TypedAction | null =>
    this.OR<TypedAction | null>([
      { ALT: () => (this.CONSUME(word.Actions), this.CONSUME(word.None), null) },
      {
        ALT: () => {
          const what = this.SUBRULE(this.actionBody);
          const after = this.OPTION(() => (this.CONSUME(word.After), this.SUBRULE(this.seconds)));
          return { ...what, ...(after === undefined ? {} : { after }) };
        },
      },
    ]),
  );

  private readonly actionBody = this.RULE("actionBody", (): TypedAction =>
    this.OR<TypedAction>([
      {
        ALT: () => {
          this.CONSUME(word.Start);
          const name = named(this.CONSUME(word.Name));
          const cue = this.OPTION(() => (this.CONSUME(word.AtWord), this.CONSUME(word.Hash), this.CONSUME(word.Decimal).image));
          return { do: "start", name, ...(cue === undefined ? {} : { cue }) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Go);
          const name = named(this.CONSUME2(word.Name));
          const goal = this.OPTION2(() => {
            this.CONSUME(word.To);
            this.CONSUME2(word.Hash);
            return { cue: this.CONSUME2(word.Decimal).image, ...this.SUBRULE(this.inTime) };
          });
          return goal === undefined ? { do: "go", name } : { do: "goto", name, ...goal };
        },
      },
      { ALT: () => (this.CONSUME(word.Hold), { do: "hold", name: named(this.CONSUME3(word.Name)) }) },
      { ALT: () => (this.CONSUME(word.Resume), { do: "resume", name: named(this.CONSUME4(word.Name)) }) },
      { ALT: () => (this.CONSUME(word.Release), { do: "release", name: named(this.CONSUME5(word.Name)), ...this.SUBRULE2(this.inTime) }) },
      {
        ALT: () => {
          this.CONSUME(word.Rate);
          return { do: "rate", name: named(this.CONSUME6(word.Name)), value: Number(this.CONSUME3(word.Decimal).image) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Master);
          const name = named(this.CONSUME7(word.Name));
          return { do: "master", name, value: Number(this.CONSUME4(word.Decimal).image), ...this.SUBRULE3(this.inTime) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Raise);
          const name = named(this.CONSUME8(word.Name));
          this.CONSUME2(word.To);
          return { do: "look", name, value: Number(this.CONSUME5(word.Decimal).image), ...this.SUBRULE4(this.inTime) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Tempo);
          return { do: "tempo", name: named(this.CONSUME9(word.Name)), value: Number(this.CONSUME6(word.Decimal).image) };
        },
      },
    ]),
  );

  /** What is pressed now: what a cue can do besides, and `fader sea 60 in 3`, `catch main`, `back main`, `standby sea #3, rain #1`, `fire set`. */
  protected readonly press = this.RULE("press", (): TypedPress =>
    this.OR<TypedPress>([
      { ALT: () => ({ do: "action", action: this.SUBRULE(this.actionBody) }) },
      {
        ALT: () => {
          this.CONSUME(word.Fader);
          const name = named(this.CONSUME(word.Name));
          return { do: "fader", name, level: Number(this.CONSUME(word.Decimal).image), ...this.SUBRULE(this.inTime) };
        },
      },
      { ALT: () => (this.CONSUME(word.Catch), { do: "catch", name: named(this.CONSUME2(word.Name)) }) },
      { ALT: () => (this.CONSUME(word.Back), { do: "back", name: named(this.CONSUME3(word.Name)) }) },
      { ALT: () => (this.CONSUME(word.Fire), this.CONSUME(word.SetWord), { do: "fire" }) },
      { ALT: () => (this.CONSUME(word.Put), this.CONSUME(word.On), this.CONSUME(word.Stage), { do: "putOnStage" }) },
      { ALT: () => (this.CONSUME(word.Standby), { do: "standby", chosen: this.SUBRULE(this.standbySet) }) },
    ]),
  );

  private readonly standbySet = this.RULE("standbySet", (): { name: Named; cue: string }[] => {
    const chosen: { name: Named; cue: string }[] = [];
    this.AT_LEAST_ONE_SEP({
      SEP: word.Comma,
      DEF: () => {
        const name = named(this.CONSUME(word.Name));
        this.CONSUME(word.Hash);
        chosen.push({ name, cue: this.CONSUME(word.Decimal).image });
      },
    });
    return chosen;
  });

  private readonly inTime = this.RULE("inTime", (): { time?: number } => {
    const time = this.OPTION(() => (this.CONSUME(word.In), this.SUBRULE(this.seconds)));
    return time === undefined ? {} : { time };
  });
}
