import { named, unquoted } from "./lightRules.ts";
import type { Destination, Missing, Named, Range, Sentence, TypedMapping } from "./sentence.ts";
import { BookRules } from "./bookRules.ts";
import { word } from "./tokens.ts";

/**
 * The rules for what is done to whole cues: walls, recasting, copies, moves, numbers. What a cue's number must be is checked later.
 * One method for each rule of the grammar; `docs/line.md` shows them by example.
 */
export class CueRules extends BookRules {
  /** `block #21`, `unrestate #3..8`; `block #21 for 1..6 pan` writes the moves of those lights and sets no flag. */
  protected readonly flag = this.RULE("flag", (): Sentence => {
    const what = this.OR<"block" | "unblock" | "restate" | "unrestate">([
      { ALT: () => (this.CONSUME(word.Block), "block") },
      { ALT: () => (this.CONSUME(word.Unblock), "unblock") },
      { ALT: () => (this.CONSUME(word.Restate), "restate") },
      { ALT: () => (this.CONSUME(word.Unrestate), "unrestate") },
    ]);
    this.CONSUME(word.Hash);
    const cues = this.SUBRULE(this.cueRange);
    return (
      this.OPTION({
        GATE: () => what === "block",
        DEF: (): Sentence => {
          this.CONSUME(word.For);
          const lights = this.SUBRULE(this.lights);
          const attribute = this.OPTION2(() => named(this.CONSUME(word.Word)));
          return { kind: "blockLights", cues, lights, ...(attribute ? { attribute } : {}) };
        },
      }) ?? { kind: "flag", what, cues }
    );
  });

  /** `recast 1 as 2 in #10..40`, `recast 1 as 2 too` (both then do it), `exchange 1 and 2`; `recast look of 1 as 2 in #10..40 only`. */
  protected readonly recast = this.RULE("recast", (): Sentence =>
    this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(word.Recast);
          const where = this.SUBRULE(this.lookOf);
          const lights = this.SUBRULE(this.lights);
          this.CONSUME(word.As);
          const as = this.SUBRULE2(this.lights);
          const how = this.OPTION(() => (this.CONSUME(word.Too), "copy" as const)) ?? "replace";
          const cues = this.SUBRULE(this.inCues);
          const after = this.SUBRULE(this.onlyThere);
          return {
            kind: "recast",
            lights,
            as,
            how,
            where,
            after,
            cues,
            map: this.SUBRULE(this.mappings),
            missing: this.SUBRULE(this.missing),
          };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Exchange);
          const where = this.SUBRULE2(this.lookOf);
          const lights = this.SUBRULE3(this.lights);
          this.CONSUME(word.And);
          const as = this.SUBRULE4(this.lights);
          return {
            kind: "recast",
            lights,
            as,
            how: "swap",
            where,
            cues: this.SUBRULE2(this.inCues),
            after: this.SUBRULE2(this.onlyThere),
            map: [],
            missing: this.SUBRULE2(this.missing),
          };
        },
      },
    ]),
  );

  /** `swap dusk, dawn for dawn, dusk in #10..20`: all at once, so two palettes can change places. */
  protected readonly swapPalette = this.RULE("swapPalette", (): Sentence => {
    this.CONSUME(word.Swap);
    const { palettes, as } = this.SUBRULE(this.palettePairs);
    return { kind: "swapPalette", palettes, as, cues: this.SUBRULE(this.inCues), leave: this.SUBRULE(this.leave) };
  });

  /** `dusk, dawn for noon, dusk`: palettes, and as many that stand for them. */
  private readonly palettePairs = this.RULE("palettePairs", (): { palettes: Named[]; as: Named[] } => {
    const palettes: Named[] = [];
    const as: Named[] = [];
    this.AT_LEAST_ONE_SEP({ SEP: word.Comma, DEF: () => palettes.push(named(this.CONSUME(word.Name))) });
    this.CONSUME(word.For);
    this.AT_LEAST_ONE_SEP2({ SEP: word.Comma, DEF: () => as.push(named(this.CONSUME2(word.Name))) });
    return { palettes, as };
  });

  /** What lights show is given on, not only what is stored. */
  private readonly lookOf = this.RULE(
    "lookOf",
    (): "look" | "moves" => this.OPTION(() => (this.CONSUME(word.Look), this.CONSUME(word.Of), "look" as const)) ?? "moves",
  );

  /** Behind the cues all is as before. */
  private readonly onlyThere = this.RULE(
    "onlyThere",
    (): "restore" | "track" => this.OPTION(() => (this.CONSUME(word.Only), "restore" as const)) ?? "track",
  );

  /** Attributes that stand for those which the other light lacks. */
  private readonly mappings = this.RULE("mappings", (): TypedMapping[] => {
    const found: TypedMapping[] = [];
    this.OPTION(() => {
      this.CONSUME(word.Map);
      this.AT_LEAST_ONE_SEP({
        SEP: word.Comma,
        DEF: () => {
          const from = named(this.CONSUME(word.Word));
          this.CONSUME(word.To);
          const to = named(this.CONSUME2(word.Word));
          found.push({ from, to, turned: this.OPTION2(() => this.CONSUME(word.Turned)) !== undefined });
        },
      });
    });
    return found;
  });

  /** What becomes of what the other light cannot do. */
  private readonly missing = this.RULE("missing", (): Missing =>
    this.OPTION(() =>
      this.OR<Missing>([{ ALT: () => (this.CONSUME(word.Leave), "leave") }, { ALT: () => (this.CONSUME(word.Drop), "drop") }]),
    ),
  );

  /** What cannot be taken along is left where it is. */
  private readonly leave = this.RULE("leave", (): boolean => this.OPTION(() => this.CONSUME(word.Leave)) !== undefined);

  /** `in #10..20`, or `everywhere`: in every list and held look; undefined where no cues are named: the chosen ones are meant. */
  private readonly inCues = this.RULE("inCues", (): Range | "everywhere" | undefined =>
    this.OPTION(() =>
      this.OR<Range | "everywhere">([
        {
          ALT: () => {
            this.CONSUME(word.In);
            this.CONSUME(word.Hash);
            return this.SUBRULE(this.cueRange);
          },
        },
        { ALT: () => (this.CONSUME(word.Everywhere), "everywhere") },
      ]),
    ),
  );

  /** A text in quotation marks, or `none`: null. */
  protected readonly textOrNone = this.RULE("textOrNone", (): string | null =>
    this.OR<string | null>([
      { ALT: () => this.CONSUME(word.Text).image.slice(1, -1).trim() || null },
      { ALT: () => (this.CONSUME(word.None), null) },
    ]),
  );

  /** `waves stop`, `waves pass`, `waves track`: what a cue does to waves alone (docs/running.md, Waves). */
  protected readonly cueWaves = this.RULE("cueWaves", (): "stop" | "pass" | null => {
    this.CONSUME(word.Waves);
    return this.OR<"stop" | "pass" | null>([
      { ALT: () => (this.CONSUME(word.Stop), "stop") },
      { ALT: () => (this.CONSUME(word.Pass), "pass") },
      { ALT: () => (this.CONSUME(word.Track), null) },
    ]);
  });

  /** `leave note "A third too bright" #17 for 62`: what somebody who looks on asks for. */
  protected readonly leftNote = this.RULE("leftNote", (): Sentence => {
    this.CONSUME(word.Leave);
    this.CONSUME(word.Note);
    const text = this.CONSUME(word.Text).image.slice(1, -1);
    const cue = this.OPTION(() => (this.CONSUME(word.Hash), this.CONSUME(word.Decimal).image));
    const lights = this.OPTION2(() => (this.CONSUME(word.For), this.SUBRULE(this.lights)));
    return { kind: "leaveNote", text, ...(cue === undefined ? {} : { cue }), ...(lights ? { lights } : {}) };
  });

  /** `tick #17 "Taken down by a third"`: the notes of a cue are done. */
  protected readonly ticked = this.RULE("ticked", (): Sentence => {
    this.CONSUME(word.Tick);
    this.CONSUME(word.Hash);
    const cue = this.CONSUME(word.Decimal).image;
    const answer = this.OPTION(() => this.CONSUME(word.Text).image.slice(1, -1));
    return { kind: "tickNotes", cue, ...(answer === undefined ? {} : { answer }) };
  });

  /** `looks preshow, worklight "Looks"`, `looks "Looks"`: held looks that are gathered into a list. */
  protected readonly gatheredLooks = this.RULE("gatheredLooks", (): Sentence => {
    this.CONSUME(word.Looks);
    const looks: Named[] = [];
    this.MANY_SEP({ SEP: word.Comma, DEF: () => looks.push(named(this.CONSUME(word.Name))) });
    return { kind: "gatherLooks", looks, label: this.CONSUME(word.Text).image.slice(1, -1) };
  });

  /** `look worklight: 1..6 = 40`, `look worklight: 5 drop`: the values of a held look. */
  protected readonly inLook = this.RULE("inLook", (): Sentence => {
    this.CONSUME(word.Look);
    const look = named(this.CONSUME(word.Name));
    this.CONSUME(word.Colon);
    const lights = this.SUBRULE(this.lights);
    const attribute = this.OPTION(() => named(this.CONSUME(word.Word)));
    return { kind: "inLook", look, lights, ...(attribute ? { attribute } : {}), operation: this.SUBRULE(this.operation) };
  });

  /** `palettes from tints`, `palettes from list "Book"`: a palette of each colour at once. */
  protected readonly tintPalettes = this.RULE("tintPalettes", (): Sentence => {
    this.CONSUME(word.PalettesWord);
    this.CONSUME(word.From);
    return this.OR<Sentence>([
      { ALT: () => (this.CONSUME(word.TintsWord), { kind: "tintPalettes" }) },
      { ALT: () => (this.CONSUME(word.ListWord), { kind: "tintPalettes", list: unquoted(this.CONSUME(word.Text)) }) },
    ]);
  });

  /** `find storm`: the words joined by blanks, quotation marks taken off. */
  protected readonly searched = this.RULE("searched", (): string => {
    this.CONSUME(word.Find);
    const words: string[] = [];
    this.AT_LEAST_ONE(() =>
      this.OR([
        { ALT: () => words.push(this.CONSUME(word.Text).image.slice(1, -1)) },
        { ALT: () => words.push(this.CONSUME(word.Name).image) },
        { ALT: () => words.push(this.CONSUME(word.Decimal).image) },
      ]),
    );
    return words.join(" ");
  });

  /** `only`: behind the range all is as before; `track`: what its last cue shows goes on. */
  protected readonly behind = this.RULE("behind", (): "restore" | "track" =>
    this.OR<"restore" | "track">([{ ALT: () => (this.CONSUME(word.Only), "restore") }, { ALT: () => (this.CONSUME(word.Track), "track") }]),
  );

  /** `walk`, `walk back`, `walk whole`: the chosen lights one by one, and all of them again. */
  protected readonly walk = this.RULE("walk", (): Sentence => {
    this.CONSUME(word.Walk);
    const what = this.OPTION(() =>
      this.OR<"previous" | "whole">([
        { ALT: () => (this.CONSUME(word.Back), "previous") },
        { ALT: () => (this.CONSUME(word.Whole), "whole") },
      ]),
    );
    return { kind: "choice", what: what ?? "next" };
  });

  /** `aim 41..43 at 1.5 across 0 up 3 deep`: where lights that cannot turn are pointed. */
  protected readonly aim = this.RULE("aim", (): Sentence => {
    this.CONSUME(word.Aim);
    const lights = this.SUBRULE(this.lights);
    this.CONSUME(word.AtWord);
    const x = this.SUBRULE(this.signed);
    this.CONSUME(word.Across);
    const y = this.OPTION(() => {
      const up = this.SUBRULE2(this.signed);
      this.CONSUME(word.UpTime);
      return up;
    });
    const z = this.OPTION2(() => {
      const deep = this.SUBRULE3(this.signed);
      this.CONSUME(word.Deep);
      return deep;
    });
    return { kind: "aim", lights, at: { x, y: y ?? 0, z: z ?? 0 } };
  });

  /** `switch off #12..14`, `switch on #12`; `leave`: without what the show no longer has. */
  protected readonly switched = this.RULE("switched", (): Sentence => {
    this.CONSUME(word.Switch);
    const on = this.OR<boolean>([{ ALT: () => (this.CONSUME(word.On), true) }, { ALT: () => (this.CONSUME(word.Off), false) }]);
    this.CONSUME(word.Hash);
    return { kind: "switchCues", cues: this.SUBRULE(this.cueRange), on, leave: this.SUBRULE(this.leave) };
  });

  /** The sentences that begin with what is done to a cue: copy, move, delete, renumber, split, insert, label. */
  protected readonly wholeCue = this.RULE("wholeCue", (): Sentence =>
    this.OR<Sentence>([
      {
        ALT: () => {
          this.CONSUME(word.Copy);
          return this.OR2<Sentence>([
            {
              ALT: () => {
                this.CONSUME(word.ListWord);
                this.CONSUME(word.As);
                return { kind: "copyList", label: this.CONSUME3(word.Text).image.slice(1, -1) };
              },
            },
            { ALT: () => this.SUBRULE(this.block, { ARGS: ["copy"] }) },
            {
              ALT: () => {
                const what = this.OPTION(() => (this.CONSUME(word.Look), this.CONSUME(word.Of), "look" as const)) ?? "moves";
                const rangeMove = this.SUBRULE(this.rangeMove);
                const recolour = this.OPTION8(() => (this.CONSUME(word.With), this.SUBRULE(this.palettePairs)));
                return { kind: "copy", what, ...rangeMove, ...(recolour ? { recolour } : {}) };
              },
            },
          ]);
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Move);
          return this.OR3<Sentence>([
            { ALT: () => this.SUBRULE2(this.block, { ARGS: ["move"] }) },
            { ALT: () => ({ kind: "move", ...this.SUBRULE2(this.rangeMove) }) },
          ]);
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Delete);
          this.CONSUME(word.Hash);
          const cues = this.SUBRULE(this.cueRange);
          const dropsMoves = this.OPTION5(() => this.CONSUME(word.Drop)) !== undefined;
          return { kind: "delete", cues, looks: dropsMoves ? "letGo" : "keepLooks" };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Renumber);
          return this.OPTION2(() => this.SUBRULE(this.newNumbers)) ?? { kind: "renumber", cues: undefined, start: undefined, step: "1" };
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
          this.CONSUME(word.Insert);
          this.CONSUME4(word.Hash);
          const cue = this.CONSUME3(word.Decimal).image;
          const label = this.OPTION4(() => this.CONSUME2(word.Text).image.slice(1, -1));
          const walled = this.OPTION6(() => (this.CONSUME(word.Block), this.CONSUME(word.Next))) !== undefined;
          return { kind: "insert", cue, walled, ...(label === undefined ? {} : { label }) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(word.Label);
          return this.OR4<Sentence>([
            {
              ALT: () => {
                this.CONSUME3(word.Hash);
                const cues = this.SUBRULE3(this.cueRange);
                const part = this.OPTION7(() => (this.CONSUME(word.Part), Number(this.CONSUME5(word.Decimal).image)));
                return { kind: "label", cues, ...(part === undefined ? {} : { part }), label: this.CONSUME(word.Text).image.slice(1, -1) };
              },
            },
            { ALT: () => ({ kind: "cueText", cues: undefined, what: "label", text: this.SUBRULE(this.textOrNone) }) },
          ]);
        },
      },
    ]),
  );

  /** `#10..20 from 30 by 0.5`; without a start the table of old and new numbers is asked for. */
  private readonly newNumbers = this.RULE("newNumbers", (): Sentence => {
    this.CONSUME(word.Hash);
    const cues = this.SUBRULE(this.cueRange);
    let start: string | undefined;
    let step = "1";
    this.OPTION(() => {
      this.CONSUME(word.From);
      start = this.CONSUME(word.Decimal).image;
      this.OPTION2(() => (this.CONSUME(word.By), (step = this.CONSUME2(word.Decimal).image)));
    });
    return { kind: "renumber", cues, start, step };
  });

  /** `#12 to #13`: one cue and the number of another. */
  private readonly fromTo = this.RULE("fromTo", (): { cue: string; to: string } => {
    this.CONSUME(word.Hash);
    const cue = this.CONSUME(word.Decimal).image;
    this.CONSUME(word.To);
    this.CONSUME2(word.Hash);
    return { cue, to: this.CONSUME2(word.Decimal).image };
  });

  /** A block of stored moves that goes to other cues, and to other lights where they are named. */
  private readonly block = this.RULE("block", (what: "copy" | "move" = "copy"): Sentence => {
    const lights = this.SUBRULE(this.lights);
    const attribute = this.OPTION(() => named(this.CONSUME(word.Word)));
    this.CONSUME(word.Of);
    this.CONSUME(word.Hash);
    const cues = this.SUBRULE(this.cueRange);
    this.CONSUME(word.To);
    this.CONSUME2(word.Hash);
    const to = this.CONSUME(word.Decimal).image;
    const as = this.OPTION2(() => (this.CONSUME(word.As), this.SUBRULE2(this.lights)));
    return { kind: "block", what, lights, cues, to, ...(attribute ? { attribute } : {}), ...(as ? { as } : {}) };
  });

  /** From which cues to where: "#10..20 to #30", "#10..20 to list sea", "#10..20 to #30 list sea", looks kept where that is said. */
  private readonly rangeMove = this.RULE("rangeMove", (): { cues: Range; to: Destination; keep: boolean } => {
    this.CONSUME(word.Hash);
    const cues = this.SUBRULE(this.cueRange);
    this.CONSUME(word.To);
    const to: Destination = {};
    this.OR([
      {
        ALT: () => {
          this.CONSUME2(word.Hash);
          to.start = this.CONSUME(word.Decimal).image;
          this.OPTION(() => (this.CONSUME(word.ListWord), (to.list = named(this.CONSUME(word.Name)))));
        },
      },
      { ALT: () => (this.CONSUME2(word.ListWord), (to.list = named(this.CONSUME2(word.Name)))) },
    ]);
    const keep = this.OPTION2(() => (this.CONSUME(word.Keep), this.CONSUME(word.Looks))) !== undefined;
    return { cues, to, keep };
  });
}
