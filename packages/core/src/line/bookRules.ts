import type { Range, Sentence } from "./sentence.ts";
import { RunRules } from "./runRules.ts";
import { word } from "./tokens.ts";

/** How a cue is called, as typed: on or after the last word of a phrase; null takes it out of the script. */
type TypedCall = Extract<Sentence, { kind: "call" }>["call"];

/**
 * The rules for the play: where a cue is called, which lines are quiet, how fast it is spoken.
 * Words of the play stand in quotation marks; lines are named by the cues that they stand between.
 */
export class BookRules extends RunRules {
  /** `call "leave the lamp"`, `call after "lamp"`, `call none`. */
  protected readonly calling = this.RULE("calling", (): TypedCall => {
    this.CONSUME(word.Call);
    return this.OR<TypedCall>([
      { ALT: () => (this.CONSUME(word.None), null) },
      {
        ALT: () => {
          const after = this.OPTION(() => this.CONSUME(word.After)) !== undefined;
          return { phrase: this.CONSUME(word.Text).image.slice(1, -1), after };
        },
      },
    ]);
  });

  /** `quiet #15..16`, `not quiet #15..16`: the lines that are spoken from the call of one cue to that of the other. */
  protected readonly silence = this.RULE("silence", (): Sentence => {
    const quiet = this.OPTION(() => this.CONSUME(word.Not)) === undefined;
    this.CONSUME(word.Quiet);
    this.CONSUME(word.Hash);
    return { kind: "quiet", cues: this.SUBRULE(this.cueRange), quiet };
  });

  /** `script pace 142`, `script standby 5`, `script pace 120 in #15..16`; `none` takes a setting away. */
  protected readonly scriptSettings = this.RULE("scriptSettings", (): Sentence => {
    this.CONSUME(word.Script);
    const said: { pace?: number | null; standby?: number | null } = {};
    this.AT_LEAST_ONE(() =>
      this.OR([
        { ALT: () => (this.CONSUME(word.Pace), (said.pace = this.SUBRULE(this.numberOrNone))) },
        { ALT: () => (this.CONSUME(word.Standby), (said.standby = this.SUBRULE2(this.numberOrNone))) },
      ]),
    );
    const cues = this.OPTION((): Range => (this.CONSUME(word.In), this.CONSUME(word.Hash), this.SUBRULE(this.cueRange)));
    return { kind: "script", ...said, cues };
  });

  /** `call`, `call at 20`, `call from #12 at 5`: the simulated stage manager reads the play; `call stop` sends it away. */
  protected readonly caller = this.RULE("caller", (): Sentence => {
    this.CONSUME(word.Call);
    return this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.Stop), { kind: "callerLeaves" }) },
      {
        ALT: () => {
          const from = this.OPTION(() => (this.CONSUME(word.From), this.CONSUME(word.Hash), this.CONSUME(word.Decimal).image));
          const speed = this.OPTION2(() => (this.CONSUME(word.AtWord), Number(this.CONSUME2(word.Decimal).image))) ?? 1;
          return { kind: "caller", speed, ...(from === undefined ? {} : { from }) };
        },
      },
    ]);
  });

  /** `begin run`, `begin run "Second dress"`: what is fired from then on is kept as a run; `end run`. */
  protected readonly loggedRun = this.RULE("loggedRun", (): Sentence =>
    this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(word.Begin);
          this.CONSUME(word.Run);
          const name = this.OPTION(() => this.CONSUME(word.Text).image.slice(1, -1));
          return { kind: "logRun", begins: true, ...(name === undefined ? {} : { name }) };
        },
      },
      { ALT: () => (this.CONSUME(word.End), this.CONSUME2(word.Run), { kind: "logRun", begins: false }) },
    ]),
  );

  /** `osc on`, `osc off`: programs outside are listened to, or no longer. */
  protected readonly outside = this.RULE("outside", (): Sentence => {
    this.CONSUME(word.Osc);
    const on = this.OR<boolean>([{ ALT: () => (this.CONSUME(word.On), true) }, { ALT: () => (this.CONSUME(word.Off), false) }]);
    return { kind: "osc", on };
  });

  /** A number, or `none` for null. */
  private readonly numberOrNone = this.RULE("numberOrNone", (): number | null =>
    this.OR<number | null>([{ ALT: () => Number(this.CONSUME(word.Decimal).image) }, { ALT: () => (this.CONSUME(word.None), null) }]),
  );
}
