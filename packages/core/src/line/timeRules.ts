import { TIMED_FAMILIES, type Trigger } from "../show/schema.ts";
import { LightRules } from "./lightRules.ts";
import type { TypedPartTimes, TypedTime } from "./sentence.ts";
import { word } from "./tokens.ts";

/** The rules for the times of cues and for what fires them. All times are seconds, or minutes and seconds as `1:30`. */
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
}
