import { named } from "./lightRules.ts";
import type { Lights, Named, Sentence, TypedAction, TypedPress, TypedSteps } from "./sentence.ts";
import { TimeRules } from "./timeRules.ts";
import { word } from "./tokens.ts";

/**
 * The rules for what runs: what cues do besides, what is pressed, and how lists run and stand to each other.
 * Names are looked up later; times are seconds.
 */
export class RunRules extends TimeRules {
  /** `bring in`, `send out`, `backup`, `people`, `servers`: files of others, files for others, a backup now, who may in, and which server leads. */
  protected readonly files = this.RULE("files", (): Sentence =>
    this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.Bring), this.CONSUME(word.In), { kind: "bringIn" }) },
      { ALT: () => (this.CONSUME(word.Send), this.CONSUME(word.Out), { kind: "sendOut" }) },
      { ALT: () => (this.CONSUME(word.Backup), { kind: "backup" }) },
      { ALT: () => (this.CONSUME(word.People), { kind: "people" }) },
      { ALT: () => (this.CONSUME(word.Servers), { kind: "servers" }) },
    ]),
  );

  /** Behind `keep`, `#12` or `#12 off`: nobody else changes a cue for a while, without taking it over; or everybody may again. */
  protected readonly keptCue = this.RULE("keptCue", (): Sentence => {
    this.CONSUME(word.Hash);
    const cue = this.CONSUME(word.Decimal).image;
    const keep = this.OPTION(() => this.CONSUME(word.Off)) === undefined;
    return { kind: "keepCue", cue, keep };
  });

  /** `rehearse`, `rehearse at 2`: the whole show without waiting, called twice as fast. */
  protected readonly rehearsal = this.RULE("rehearsal", (): Sentence => {
    this.CONSUME(word.Rehearse);
    const speed = this.OPTION(() => (this.CONSUME(word.AtWord), Number(this.CONSUME(word.Decimal).image)));
    return { kind: "rehearse", speed: speed ?? 1 };
  });

  /** `hand in times`, `hand at once`: how what is given takes hold. `hand over`: the spare leads from now on. */
  protected readonly handTakes = this.RULE("handTakes", (): Sentence => {
    this.CONSUME(word.Hand);
    return this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.In), this.CONSUME(word.Times), { kind: "inTimes", on: true }) },
      { ALT: () => (this.CONSUME(word.AtWord), this.CONSUME(word.Once), { kind: "inTimes", on: false }) },
      { ALT: () => (this.CONSUME(word.Over), { kind: "handOver" }) },
    ]);
  });

  /** `priority sea 60`, `highest warmers`, `latest warmers`: how a list or a held look stands to others (docs/running.md, Sources). */
  protected readonly rank = this.RULE("rank", (): Sentence =>
    this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(word.Priority);
          const name = named(this.CONSUME(word.Name));
          return { kind: "rank", name, priority: Number(this.CONSUME(word.Decimal).image) };
        },
      },
      { ALT: () => (this.CONSUME(word.Highest), { kind: "rank", name: named(this.CONSUME2(word.Name)), levels: "highest" }) },
      { ALT: () => (this.CONSUME(word.Latest), { kind: "rank", name: named(this.CONSUME3(word.Name)), levels: "latest" }) },
    ]),
  );

  /** `steps sea every 0.6 bounce rounds 3`, `steps sea at slow`, `steps sea none`: how a list runs by itself (docs/running.md, Lists). */
  protected readonly steps = this.RULE("steps", (): Sentence => {
    this.CONSUME(word.Steps);
    const name = named(this.CONSUME(word.Name));
    const steps: TypedSteps = {};
    return this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.None), { kind: "steps", name, steps: null }) },
      {
        ALT: () => {
          this.AT_LEAST_ONE(() => this.SUBRULE(this.stepsOption, { ARGS: [steps] }));
          return { kind: "steps", name, steps };
        },
      },
    ]);
  });

  /** `page "Storm" tower, worklight`, `page "Storm" press go tower to #3`, `page "Storm" none`: what stands on a page of the shelf. */
  protected readonly page = this.RULE("page", (): Sentence => {
    this.CONSUME(word.Page);
    const label = this.CONSUME(word.Text).image.slice(1, -1);
    return this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.None), { kind: "page", label }), IGNORE_AMBIGUITIES: true },
      { ALT: () => (this.CONSUME(word.Press), { kind: "page", label, press: this.SUBRULE(this.actionBody) }), IGNORE_AMBIGUITIES: true },
      {
        ALT: () => {
          const strips: Named[] = [];
          this.AT_LEAST_ONE_SEP({ SEP: word.Comma, DEF: () => strips.push(named(this.CONSUME(word.Name))) });
          return { kind: "page", label, strips };
        },
      },
    ]);
  });

  /** One thing about how a list steps, written into what was read before it. */
  private readonly stepsOption = this.RULE("stepsOption", (steps: TypedSteps = {}): void => {
    this.OR([
      { ALT: () => (this.CONSUME(word.Every), (steps.interval = this.SUBRULE(this.seconds))) },
      { ALT: () => (this.CONSUME(word.AtWord), (steps.tempo = named(this.CONSUME(word.Name)))) },
      { ALT: () => (this.CONSUME(word.Forward), (steps.order = "forward")) },
      { ALT: () => (this.CONSUME(word.Back), (steps.order = "back")) },
      { ALT: () => (this.CONSUME(word.Bounce), (steps.order = "bounce")) },
      { ALT: () => (this.CONSUME(word.Shuffle), (steps.order = "shuffle")) },
      { ALT: () => (this.CONSUME(word.Rounds), (steps.rounds = Number(this.CONSUME(word.Decimal).image))) },
    ]);
  });

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

  /** What is pressed now: what a cue can do besides, and `fader sea 60 in 3`, `catch main`, `back main`, `standby sea #3, rain #1`, `fire set`, `blackout in 2`, `grand 60 in 3`, `all off in 5`. */
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
      {
        ALT: () => {
          this.CONSUME(word.Blackout);
          const on = this.OPTION(() => this.CONSUME(word.Off)) === undefined;
          return { do: "blackout", on, ...this.SUBRULE2(this.inTime) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Grand);
          return { do: "grand", level: Number(this.CONSUME2(word.Decimal).image), ...this.SUBRULE3(this.inTime) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.All);
          this.OR2([{ ALT: () => this.CONSUME2(word.Off) }, { ALT: () => this.CONSUME(word.Out) }]);
          return { do: "allOff", ...this.SUBRULE4(this.inTime) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Solo);
          return this.OR3<TypedPress>([
            { ALT: () => (this.CONSUME3(word.Off), { do: "solo" }), IGNORE_AMBIGUITIES: true },
            { ALT: () => ({ do: "solo", name: named(this.CONSUME4(word.Name)) }) },
          ]);
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Identify);
          return this.OR4<TypedPress>([
            { ALT: () => (this.CONSUME4(word.Off), { do: "identify" }) },
            { ALT: () => ({ do: "identify", lights: this.SUBRULE(this.lights) }) },
          ]);
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Park);
          return { do: "park", on: true, ...this.SUBRULE(this.someOfLights) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Unpark);
          return this.OR5<TypedPress>([
            { ALT: () => (this.CONSUME3(word.All), { do: "park", on: false }) },
            { ALT: () => ({ do: "park", on: false, ...this.SUBRULE2(this.someOfLights) }) },
          ]);
        },
      },
      { ALT: () => (this.CONSUME(word.Put), this.CONSUME(word.On), this.CONSUME(word.Stage), { do: "putOnStage" }) },
      {
        ALT: () => {
          this.CONSUME(word.Standby);
          const also = this.OPTION2(() => this.CONSUME(word.Also)) !== undefined;
          const chosen = this.OPTION3(() => this.SUBRULE(this.standbySet));
          return chosen ? { do: "standby", chosen, ...(also ? { also } : {}) } : { do: "chooseSet" };
        },
      },
    ]),
  );

  /** Lights, and an attribute or a family of them where one is named. */
  private readonly someOfLights = this.RULE("someOfLights", (): { lights: Lights; attribute?: Named } => {
    const lights = this.SUBRULE(this.lights);
    const attribute = this.OPTION(() => named(this.CONSUME(word.Word)));
    return { lights, ...(attribute ? { attribute } : {}) };
  });

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
