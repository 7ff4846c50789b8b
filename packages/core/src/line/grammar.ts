// The grammar of the line entry. It only reads: what a name means in a show is looked up later, by `readLine.ts` and `handLine.ts`.
// Rules that begin with a word of their own need no order; lights come last, because a line that begins with a number could be any of them.
import { type IToken, Lexer } from "chevrotain";
import type { LineFault, Possible } from "./fault.ts";
import { ambiguousMinus, expectation, hintFor, unfinished } from "./hints.ts";
import { CueRules } from "./cueRules.ts";
import { named } from "./lightRules.ts";
import type { Keeping, Range, RecordWords, Sentence, Shown, TypedPartTimes, ViewName } from "./sentence.ts";
import { lineTokens, word } from "./tokens.ts";

/** The sentences of the line entry; what each comes to is a Sentence of `sentence.ts`. */
class LineParser extends CueRules {
  constructor() {
    super();
    this.performSelfAnalysis();
  }

  /** A whole line. Each alternative is one kind of Sentence; the first word, or its absence, tells which. */
  readonly sentence = this.RULE("sentence", (): Sentence =>
    this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.Undo), { kind: "history", what: "undo" }) },
      { ALT: () => (this.CONSUME(word.Redo), { kind: "history", what: "redo" }) },
      { ALT: () => ({ kind: "view", view: this.SUBRULE(this.view) }) },
      { ALT: () => (this.CONSUME(word.Lit), { kind: "choice", what: "lit" }) },
      { ALT: () => (this.CONSUME(word.Others), { kind: "choice", what: "others" }) },
      { ALT: () => this.SUBRULE(this.walk) },
      { ALT: () => this.SUBRULE(this.aim) },
      {
        ALT: () => {
          this.CONSUME(word.Again);
          const steps = this.OPTION(() => Number(this.CONSUME(word.Decimal).image));
          return { kind: "choice", what: "before", ...(steps === undefined ? {} : { steps }) };
        },
      },
      { ALT: () => (this.CONSUME(word.Help), { kind: "help" }) },
      { ALT: () => this.SUBRULE(this.rehearsal) },
      { ALT: () => this.SUBRULE(this.silence) },
      { ALT: () => this.SUBRULE(this.scriptSettings) },
      { ALT: () => this.SUBRULE(this.caller) },
      { ALT: () => this.SUBRULE(this.loggedRun) },
      { ALT: () => this.SUBRULE(this.outside) },
      { ALT: () => ({ kind: "newCues", times: this.SUBRULE(this.newCues) }) },
      { ALT: () => (this.CONSUME(word.Ranges), { kind: "editsAfter", after: this.SUBRULE(this.behind) }) },
      { ALT: () => ({ kind: "find", text: this.SUBRULE(this.searched) }) },
      {
        ALT: () => {
          this.CONSUME(word.Accept);
          this.CONSUME(word.Hash);
          const cues = this.SUBRULE(this.cueRange);
          return { kind: "accept", cues, note: this.CONSUME2(word.Text).image.slice(1, -1) };
        },
      },
      { ALT: () => (this.CONSUME(word.NameWord), { kind: "nameVersion", name: this.CONSUME(word.Text).image.slice(1, -1) }) },
      { ALT: () => this.SUBRULE(this.taken) },
      { ALT: () => this.SUBRULE(this.shown) },
      { ALT: () => this.SUBRULE(this.record) },
      { ALT: () => this.SUBRULE(this.update) },
      { ALT: () => this.SUBRULE(this.dropped) },
      { ALT: () => this.SUBRULE(this.keep) },
      { ALT: () => this.SUBRULE(this.patch) },
      { ALT: () => this.SUBRULE(this.gather) },
      { ALT: () => this.SUBRULE(this.flag) },
      { ALT: () => this.SUBRULE(this.recast) },
      { ALT: () => this.SUBRULE(this.swapPalette) },
      { ALT: () => this.SUBRULE(this.wholeCue) },
      { ALT: () => this.SUBRULE(this.switched) },
      { ALT: () => this.SUBRULE(this.asking) },
      { ALT: () => (this.CONSUME(word.Notes), { kind: "notes" }) },
      { ALT: () => this.SUBRULE(this.files) },
      { ALT: () => this.SUBRULE(this.tintPalettes) },
      { ALT: () => this.SUBRULE(this.inLook) },
      { ALT: () => this.SUBRULE(this.leftNote) },
      { ALT: () => this.SUBRULE(this.ticked) },
      { ALT: () => this.SUBRULE(this.onCues) },
      { ALT: () => ({ kind: "press", press: this.SUBRULE(this.press) }) },
      { ALT: () => this.SUBRULE(this.handTakes) },
      { ALT: () => this.SUBRULE(this.rank) },
      { ALT: () => this.SUBRULE(this.steps) },
      { ALT: () => this.SUBRULE(this.page) },
      { ALT: () => ({ kind: "cueWaves", cues: undefined, waves: this.SUBRULE(this.cueWaves) }) },
      { ALT: () => this.SUBRULE(this.cueText, { ARGS: [undefined] }) },
      { ALT: () => ({ kind: "prepared", cues: undefined, mark: this.SUBRULE(this.prepared) }) },
      { ALT: () => (this.CONSUME(word.ListWord), { kind: "listPrepared", mark: this.SUBRULE2(this.prepared) ?? {} }) },
      { ALT: () => this.SUBRULE(this.onTimes, { ARGS: [undefined] }) },
      { ALT: () => ({ kind: "last", cues: undefined, seconds: this.SUBRULE(this.lasting) }) },
      { ALT: () => ({ kind: "trigger", cues: undefined, trigger: this.SUBRULE(this.trigger) }) },
      { ALT: () => this.SUBRULE(this.onLights, { ARGS: [undefined] }) },
    ]),
  );

  /** `take up`: the Hand holds again what it dropped last; `take cues` or `take #3..7 of "Spring tour" to #30`: out of another show of the database. */
  private readonly taken = this.RULE("taken", (): Sentence => {
    this.CONSUME(word.Take);
    return this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.UpTime), { kind: "restoreDropped" }) },
      { ALT: () => (this.CONSUME(word.CuesWord), { kind: "importCues" }) },
      {
        ALT: () => {
          this.CONSUME(word.Hash);
          const cues = this.SUBRULE(this.cueRange);
          const from = this.OPTION(() => (this.CONSUME(word.Of), this.CONSUME(word.Text).image.slice(1, -1)));
          const start = this.OPTION2(() => (this.CONSUME(word.To), this.CONSUME2(word.Hash), this.CONSUME(word.Decimal).image));
          return { kind: "importCues", cues, ...(from === undefined ? {} : { from }), ...(start === undefined ? {} : { start }) };
        },
      },
    ]);
  });

  /** `show pictures`, `hide scenes`: how the Score is looked at; nothing recorded changes. */
  private readonly shown = this.RULE("shown", (): Sentence => {
    const shown = this.OR<boolean>([{ ALT: () => (this.CONSUME(word.Show), true) }, { ALT: () => (this.CONSUME(word.Hide), false) }]);
    const what = this.OR2<Shown>([
      { ALT: () => (this.CONSUME(word.Times), "times") },
      { ALT: () => (this.CONSUME(word.Pictures), "pictures") },
      { ALT: () => (this.CONSUME(word.Scenes), "scenes") },
      { ALT: () => (this.CONSUME(word.Parts), "parts") },
      { ALT: () => (this.CONSUME(word.Attributes), "attributes") },
      { ALT: () => (this.CONSUME(word.Moving), "moving") },
      { ALT: () => (this.CONSUME(word.Tracked), "tracked") },
      { ALT: () => (this.CONSUME(word.Hints), "hints") },
    ]);
    return { kind: "show", what, shown };
  });

  /** `new cues up 3 down 5`, the times that a new cue begins with; `new cues none` gives null: it begins without any. */
  private readonly newCues = this.RULE("newCues", (): TypedPartTimes | null => {
    this.CONSUME(word.New);
    this.CONSUME(word.CuesWord);
    return this.OR<TypedPartTimes | null>([{ ALT: () => this.SUBRULE(this.partTimes) }, { ALT: () => (this.CONSUME(word.None), null) }]);
  });

  /** `carries only`, `carries isolated`, `carries track`: how far a cue's moves reach (docs/rules.md, Tracking). */
  private readonly carries = this.RULE("carries", (): "track" | "cueOnly" | "isolated" => {
    this.CONSUME(word.Carries);
    return this.OR<"track" | "cueOnly" | "isolated">([
      { ALT: () => (this.CONSUME(word.Track), "track") },
      { ALT: () => (this.CONSUME(word.Only), "cueOnly") },
      { ALT: () => (this.CONSUME(word.Isolated), "isolated") },
    ]);
  });

  /** The name of a view alone: goes there and changes nothing. */
  private readonly view = this.RULE("view", (): ViewName =>
    this.OR<ViewName>([
      { ALT: () => (this.CONSUME(word.Score), "score") },
      { ALT: () => (this.CONSUME(word.Stage), "stage") },
      { ALT: () => (this.CONSUME(word.Run), "run") },
      { ALT: () => (this.CONSUME(word.Rig), "rig") },
      { ALT: () => (this.CONSUME(word.Check), "check") },
      { ALT: () => (this.CONSUME(word.History), "history") },
      { ALT: () => (this.CONSUME(word.Paper), "paper") },
      { ALT: () => (this.CONSUME(word.Planner), "planner") },
      { ALT: () => (this.CONSUME(word.Book), "book") },
      { ALT: () => (this.CONSUME(word.Log), "log") },
    ]),
  );

  /**
   * `record #12 "Storm breaks" up 3 only`. The options may stand in any order; what is not said is left out,
   * so that the sheet of a record can fill it from what was used last.
   */
  private readonly record = this.RULE("record", (): Sentence => {
    this.CONSUME(word.Record);
    const words: RecordWords = {};
    this.OPTION(() =>
      this.OR([
        { ALT: () => (this.CONSUME(word.Hash), (words.cue = this.CONSUME(word.Decimal).image)) },
        { ALT: () => (this.CONSUME(word.New), (words.cue = "new")) },
      ]),
    );
    this.OPTION2(() => (words.label = this.CONSUME(word.Text).image.slice(1, -1)));
    this.MANY(() => this.SUBRULE(this.recordOption, { ARGS: [words] }));
    return { kind: "record", words };
  });

  /** One option of a record, written into what was read before it. A second one of the same kind replaces the first. */
  private readonly recordOption = this.RULE("recordOption", (words: RecordWords = {}): void => {
    this.OR([
      { ALT: () => this.SUBRULE(this.partTime, { ARGS: [(words.times ??= {})] }) },
      { ALT: () => (this.CONSUME(word.Add), (words.mode = "merge")) },
      { ALT: () => (this.CONSUME(word.Exactly), (words.mode = "replace")) },
      { ALT: () => (this.CONSUME(word.Take), this.CONSUME(word.Out), (words.mode = "remove")) },
      { ALT: () => (this.CONSUME(word.Only), (words.only = true)) },
      { ALT: () => (this.CONSUME(word.Isolated), (words.isolated = true)) },
      { ALT: () => (words.trigger = this.SUBRULE(this.trigger)) },
      { ALT: () => (this.CONSUME(word.Note), (words.note = this.SUBRULE(this.textOrNone))) },
      { ALT: () => (this.CONSUME(word.Scene), (words.scene = this.SUBRULE2(this.textOrNone))) },
      { ALT: () => (this.CONSUME(word.Part), (words.part = Number(this.CONSUME(word.Decimal).image))) },
      { ALT: () => (this.CONSUME(word.All), (words.all = true)) },
      { ALT: () => (this.CONSUME(word.From), this.CONSUME(word.Stage), (words.stage = true)) },
      { ALT: () => (this.CONSUME(word.Running), (words.running = true)) },
      { ALT: () => (this.CONSUME(word.Values), (words.what = "values")) },
      { ALT: () => (this.CONSUME(word.Times), (words.what = "times")) },
      {
        ALT: () => {
          const without = this.OPTION3(() => this.CONSUME(word.Without)) !== undefined;
          this.CONSUME(word.Waves);
          words.waves = without ? "without" : "alone";
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Of);
          words.lights = this.SUBRULE(this.lights);
          // "of 5..8 position 4" is a time of the cue's positions, "of 5..8 position" is which of their values are taken.
          words.family = this.OPTION({
            GATE: () => this.LA(2).tokenType !== word.Decimal && this.LA(2).tokenType !== word.Delay,
            DEF: () => named(this.CONSUME(word.Word)),
          });
        },
      },
    ]);
  });

  /** `update at source of 5 pan`. Without a place the application asks; without lights all that is in hand is meant. */
  private readonly update = this.RULE("update", (): Sentence => {
    this.CONSUME(word.Update);
    const place = this.OPTION(() =>
      this.OR<"here" | "atSource" | "inPalette">([
        { ALT: () => (this.CONSUME(word.Here), "here") },
        { ALT: () => (this.CONSUME(word.AtWord), this.CONSUME(word.Source), "atSource") },
        { ALT: () => (this.CONSUME(word.In), this.CONSUME(word.PaletteWord), "inPalette") },
      ]),
    );
    const lights = this.OPTION2(() => (this.CONSUME(word.Of), this.SUBRULE(this.lights)));
    const attribute = this.OPTION3(() => named(this.CONSUME(word.Word)));
    const list = this.OPTION4(() => (this.CONSUME(word.ListWord), named(this.CONSUME(word.Name))));
    return {
      kind: "update",
      ...(place ? { place } : {}),
      ...(lights ? { lights } : {}),
      ...(attribute ? { attribute } : {}),
      ...(list ? { list } : {}),
    };
  });

  /** `drop 5 pan`: lets values go from the Hand. Alone it empties the Hand. `drop standby` empties the set that was chosen to go together. */
  private readonly dropped = this.RULE("dropped", (): Sentence => {
    this.CONSUME(word.Drop);
    return this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.Standby), { kind: "press", press: { do: "standby", chosen: [] } }) },
      {
        ALT: () => {
          const lights = this.OPTION(() => this.SUBRULE(this.lights));
          const attribute = this.OPTION2(() => named(this.CONSUME(word.Word)));
          return { kind: "dropped", ...(lights ? { lights } : {}), ...(attribute ? { attribute } : {}) };
        },
      },
    ]);
  });

  /** `keep palette "Dusk" colour for types`, `keep pace "Slow"`, `keep group "Front" 1..6`: gives a name to what is in hand or chosen. */
  private readonly keep = this.RULE("keep", (): Sentence => {
    this.CONSUME(word.Keep);
    return this.OR<Sentence>([
      { ALT: () => this.SUBRULE(this.keptCue) },
      { ALT: () => ({ kind: "keep", keeping: this.SUBRULE(this.keeping) }) },
    ]);
  });

  private readonly keeping = this.RULE("keeping", (): Keeping => {
    return this.OR<Keeping>([
      {
        ALT: () => {
          this.CONSUME(word.PaletteWord);
          const label = this.CONSUME(word.Text).image.slice(1, -1);
          const family = named(this.CONSUME(word.Word));
          const scope = this.OPTION(() => (this.CONSUME(word.For), this.SUBRULE(this.scope))) ?? "all";
          return { what: "palette", label, family, scope };
        },
      },
      { ALT: () => (this.CONSUME(word.Pace), { what: "pace", label: this.CONSUME2(word.Text).image.slice(1, -1) }) },
      {
        ALT: () => {
          this.CONSUME(word.Look);
          const label = this.CONSUME4(word.Text).image.slice(1, -1);
          const stage = this.OPTION3(() => (this.CONSUME(word.From), this.CONSUME(word.Stage))) !== undefined;
          return { what: "look", label, ...(stage ? { stage } : {}) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Group);
          const label = this.CONSUME3(word.Text).image.slice(1, -1);
          const lights = this.OPTION2(() => this.SUBRULE(this.lights));
          return { what: "group", label, ...(lights ? { lights } : {}) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.MovementWord);
          const label = this.CONSUME6(word.Text).image.slice(1, -1);
          const lights = this.OPTION4(() => this.SUBRULE2(this.lights));
          return { what: "movement", label, ...(lights ? { lights } : {}) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Tempo);
          const label = this.CONSUME5(word.Text).image.slice(1, -1);
          return { what: "tempo", label, perMinute: Number(this.CONSUME(word.Decimal).image) };
        },
      },
    ]);
  });

  /** For whom the values of a palette stand: for all lights, for each type, for each light. */
  private readonly scope = this.RULE("scope", (): "all" | "type" | "channel" =>
    this.OR<"all" | "type" | "channel">([
      { ALT: () => (this.CONSUME(word.All), "all") },
      { ALT: () => (this.CONSUME(word.Types), "type") },
      { ALT: () => (this.CONSUME(word.Each), "channel") },
    ]),
  );

  /** `patch 1..12 as profile from 1.101 "Front"`: a row of lights, addressed one behind the other. */
  private readonly patch = this.RULE("patch", (): Sentence => {
    this.CONSUME(word.Patch);
    const { from, to } = this.SUBRULE(this.cueRange);
    this.CONSUME(word.As);
    const type = named(this.CONSUME(word.Name));
    const at = this.OPTION(() => (this.CONSUME(word.From), this.CONSUME(word.Decimal)));
    const label = this.OPTION2(() => this.CONSUME(word.Text).image.slice(1, -1));
    return {
      kind: "patch",
      from: Number(from),
      to: Number(to),
      type,
      ...(at ? { at: named(at) } : {}),
      ...(label === undefined ? {} : { label }),
    };
  });

  /** `gather #3, #10..12 "Storms" moves`: a new list of cues in the order in which they are named, with their looks or with their moves alone. */
  private readonly gather = this.RULE("gather", (): Sentence => {
    this.CONSUME(word.Gather);
    return this.OR<Sentence>([{ ALT: () => this.SUBRULE(this.gatheredLooks) }, { ALT: () => this.SUBRULE(this.gatheredCues) }]);
  });

  /** The cues that are gathered, and the name of their list. */
  private readonly gatheredCues = this.RULE("gatheredCues", (): Sentence => {
    const cues: Range[] = [];
    this.AT_LEAST_ONE_SEP({ SEP: word.Comma, DEF: () => (this.CONSUME(word.Hash), cues.push(this.SUBRULE(this.cueRange))) });
    const label = this.CONSUME(word.Text).image.slice(1, -1);
    const moves = this.OPTION(() => this.CONSUME(word.MovesWord)) !== undefined;
    return { kind: "gather", cues, label, what: moves ? "moves" : "look" };
  });

  /** A line that begins with `#`: cues alone are gone to and looked at, blind; with a sentence behind them it is made in them. */
  private readonly onCues = this.RULE("onCues", (): Sentence => {
    this.CONSUME(word.Hash);
    const cues = this.SUBRULE(this.cueRange);
    return this.OPTION(() => this.SUBRULE(this.inTheseCues, { ARGS: [cues] })) ?? { kind: "goCue", cues };
  });

  /** `where 12 > 50`, `where uses dusk`; with a colon and what is done in the cues that are found. */
  private readonly asking = this.RULE("asking", (): Sentence => {
    this.CONSUME(word.Where);
    const asked = this.SUBRULE(this.question);
    const then = this.OPTION(() => (this.CONSUME(word.Colon), this.SUBRULE(this.doneInCues, { ARGS: [undefined] })));
    return { kind: "where", asked, ...(then ? { then } : {}) };
  });

  /** What is done in the cues that were named: `carries` needs no colon, everything else stands behind one. */
  private readonly inTheseCues = this.RULE("inTheseCues", (cues: Range | undefined): Sentence =>
    this.OR<Sentence>([
      { ALT: () => ({ kind: "carries", cues, carries: this.SUBRULE(this.carries) }) },
      { ALT: () => ({ kind: "call", cues, call: this.SUBRULE(this.calling) }) },
      {
        ALT: () => {
          this.CONSUME(word.Colon);
          return this.SUBRULE(this.doneInCues, { ARGS: [cues] });
        },
      },
    ]),
  );

  /** What stands behind the colon of cues. */
  private readonly doneInCues = this.RULE("doneInCues", (cues: Range | undefined): Sentence =>
    this.OR<Sentence>([
      { ALT: () => ({ kind: "carries", cues, carries: this.SUBRULE2(this.carries) }) },
      { ALT: () => ({ kind: "call", cues, call: this.SUBRULE2(this.calling) }) },
      { ALT: () => (this.CONSUME(word.Label), { kind: "cueText", cues, what: "label", text: this.SUBRULE(this.textOrNone) }) },
      { ALT: () => this.SUBRULE(this.cueText, { ARGS: [cues] }) },
      { ALT: () => this.SUBRULE(this.onTimes, { ARGS: [cues] }) },
      { ALT: () => ({ kind: "last", cues, seconds: this.SUBRULE(this.lasting) }) },
      { ALT: () => ({ kind: "trigger", cues, trigger: this.SUBRULE(this.trigger) }) },
      { ALT: () => ({ kind: "action", cues, action: this.SUBRULE(this.action) }) },
      { ALT: () => ({ kind: "cueWaves", cues, waves: this.SUBRULE(this.cueWaves) }) },
      { ALT: () => ({ kind: "prepared", cues, mark: this.SUBRULE(this.prepared) }) },
      { ALT: () => this.SUBRULE(this.onLights, { ARGS: [cues] }) },
    ]),
  );

  /** `note "…"`, `scene "…"`, each with `none` taken away; `scene from book` takes the headings of the play. */
  private readonly cueText = this.RULE("cueText", (cues: Range | undefined): Sentence =>
    this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.Note), { kind: "cueText", cues, what: "note", text: this.SUBRULE2(this.textOrNone) }) },
      {
        ALT: () => {
          this.CONSUME(word.Scene);
          return this.OR2<Sentence>([
            { ALT: () => (this.CONSUME(word.From), this.CONSUME(word.Book), { kind: "bookScenes", cues }) },
            { ALT: () => ({ kind: "cueText", cues, what: "scene", text: this.SUBRULE3(this.textOrNone) }) },
          ]);
        },
      },
    ]),
  );

  /** How long cues last in all. Seconds. */
  private readonly lasting = this.RULE("lasting", (): number => {
    this.CONSUME(word.Last);
    return this.SUBRULE(this.seconds);
  });

  /** The times of cues or of one of their parts, or a part that goes into another: "part 2 to part 1". */
  private readonly onTimes = this.RULE("onTimes", (cues: Range | undefined): Sentence =>
    this.OR<Sentence>([
      { ALT: () => this.SUBRULE(this.onPart, { ARGS: [cues] }) },
      { ALT: () => ({ kind: "times", cues, change: this.SUBRULE(this.timesChange) }) },
    ]),
  );

  /** `part 2 up 5` times one part; `part 2 to part 1` gives its moves to another and takes it away. */
  private readonly onPart = this.RULE("onPart", (cues: Range | undefined): Sentence => {
    this.CONSUME(word.Part);
    const part = Number(this.CONSUME(word.Decimal).image);
    return this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(word.To);
          this.CONSUME2(word.Part);
          return { kind: "mergePart", cues, part, into: Number(this.CONSUME2(word.Decimal).image) };
        },
      },
      { ALT: () => ({ kind: "times", cues, part, change: this.SUBRULE(this.timesChange) }) },
    ]);
  });

  /**
   * Lights with what is done to them. Without an operation they are only chosen. The words behind it (`by group`, `others out`, `along cues`,
   * `stored`, `only` or `track`) have this one order, so that a line reads the same whoever typed it.
   */
  private readonly onLights = this.RULE("onLights", (cues: Range | undefined): Sentence => {
    const lights = this.SUBRULE(this.lights);
    const attribute = this.OPTION(() => named(this.CONSUME(word.Word)));
    const operation = this.OPTION2(() => this.SUBRULE(this.operation));
    const byGroup = this.OPTION7(() => (this.CONSUME(word.By), this.CONSUME(word.Group))) !== undefined;
    const othersOut = this.OPTION3(() => (this.CONSUME(word.Others), this.CONSUME(word.Out))) !== undefined;
    const along = this.OPTION5(() => (this.CONSUME(word.Along), this.CONSUME(word.CuesWord))) !== undefined;
    const stored = this.OPTION6(() => this.CONSUME(word.Stored)) !== undefined;
    const after = this.OPTION4(() => this.SUBRULE(this.behind));
    return {
      kind: "lights",
      cues,
      lights,
      ...(after ? { after } : {}),
      ...(along ? { along } : {}),
      ...(stored ? { stored } : {}),
      ...(byGroup ? { byGroup } : {}),
      ...(othersOut ? { othersOut } : {}),
      ...(attribute ? { attribute } : {}),
      ...(operation ? { operation } : {}),
    };
  });
}

/**
 * What can follow a beginning of a line, and the place where a word that is still being typed begins.
 * Empty where nothing can follow, or where what was typed cannot be read. Characters count from 0.
 */
export function possibleNext(text: string): { next: Possible[]; from: number } {
  const { tokens } = lineReader().lexer.tokenize(text);
  const last = tokens.at(-1);
  const typing = last && /[\p{L}_]$/u.test(text) && last.startOffset + last.image.length === text.length ? last : undefined;
  const before = typing ? tokens.slice(0, -1) : tokens;
  return { next: possibleAfter(before), from: typing ? typing.startOffset : text.length };
}

/** What the grammar would take behind these words. */
function possibleAfter(tokens: readonly IToken[]): Possible[] {
  return lineReader()
    .parser.computeContentAssist("sentence", [...tokens])
    .map(({ nextTokenType, ruleStack }) => ({ token: nextTokenType.name, rule: ruleStack.at(-1) ?? "" }));
}

/** The reader of lines, made once: building a grammar takes long. The parser is built from the lexer's words, so the two belong together. */
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

/**
 * Reads one line of the line entry. An empty line and a line that cannot be read give a fault that points at the word. What could stand
 * there comes from the parser's own content assist, so that refusals and completion never disagree.
 * What is named is not looked up here: whether a cue or palette exists is the business of `readLine`.
 */
export function parseLine(text: string): { sentence: Sentence } | { fault: LineFault } {
  const { lexer, parser } = lineReader();
  const lexed = lexer.tokenize(text);
  const ambiguous = ambiguousMinus(lexed.tokens);
  if (ambiguous) return { fault: ambiguous };
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
  if (!token) return { fault: { message: unfinished(lexed.tokens, possibleAfter(lexed.tokens)), at: text.length, length: 1 } };
  const before = lexed.tokens.slice(0, lexed.tokens.indexOf(token));
  const message =
    hintFor(before, token, lexed.tokens[before.length + 1]) ?? expectation(token.image, possibleAfter(before), before.length === 0);
  return { fault: { message, at: token.startOffset, length: token.image.length } };
}
