import { CUES_HELP } from "./helpCues.ts";
import { type LineChapter, entry } from "./helpEntry.ts";

export type { LineChapter, LineHelp } from "./helpEntry.ts";

/**
 * Everything that the line entry understands, in words; the documentation and the help in the application are made of it, and a test
 * reads every example, so none of them can be wrong.
 * Chapters come in the order in which a newcomer needs them.
 */
export const LINE_HELP: readonly LineChapter[] = [
  {
    about: "Choosing",
    entries: [
      entry(
        ["5", "1..12", "1..12 / 2", "5, 7..9", "@front"],
        "chooses lights: numbers, spans, every second of them, groups; fans spread in this order",
      ),
      entry(
        ["lit"],
        "chooses every light that gives light now; a line that begins with = + * or - speaks of the chosen lights, as = out",
        "chosen selection",
      ),
      entry(["again", "again 3"], "chooses what was chosen before; a few choices back", "previous last selection select"),
      entry(
        ["walk", "walk back", "walk whole"],
        "the chosen lights one by one, each alone; and all of them again",
        "next previous step through lights",
      ),
      entry(
        ["others"],
        "the lights that were left out when some of a choice were taken: the other half of every second",
        "even odd invert rest",
      ),
      entry(
        ["@moving-wash", "@row-4"],
        "groups that the rig makes by itself: the lights of a type by its name, those that hang in one row",
        "group type row bar",
      ),
      entry(["find storm", "find 12.5"], "finds cues by number, label, scene and note", "search look for cue"),
      entry(["help"], "opens this help", "begin start how"),
      entry(["#12", "#10..20"], "goes to a cue and looks at it, blind; a range of them"),
      entry(
        ["score", "stage", "rig", "run", "check", "history", "paper", "book", "planner", "log"],
        "goes to a view",
        "findings faults errors versions past print pdf cue sheet",
      ),
      entry(
        ["show times", "show pictures", "hide pictures"],
        "draws the chosen cues over time, or the stage before and after, under the Score; hide puts it away",
        "drawer timeline compare",
      ),
      entry(
        ["hide hints", "show hints"],
        "puts away what explains unusual words where they stand, or brings it back",
        "explain meaning glossary",
      ),
      entry(["hide scenes", "show scenes"], "folds every scene into one line, or opens them", "collapse fold unfold"),
      entry(
        ["show parts", "show attributes", "show moving", "show tracked"],
        "the parts of the chosen cues, the attributes of the chosen lights, only lights that move in them, tracked values; hide puts them away",
        "filter open expand",
      ),
      entry(
        ['accept #12.3 "the designer wants it seen"'],
        "what Check finds in these cues is meant: folded away with this note, until its facts change",
        "findings ignore check note",
      ),
      entry(
        ['#12: call "leave the lamp"', '#12: call after "lamp"', "#12: call none"],
        "calls a cue on or after the last word of what is said in the play; or nowhere",
        "script word place standby stage manager",
      ),
      entry(
        ["quiet #12..13", "not quiet #12..13"],
        "asks for silence in the lines from the call of one cue to that of the other: the planner moves no light there",
        "silence script lines noise",
      ),
      entry(
        ["script pace 142", "script standby 5", "script pace 120 in #12..13"],
        "words a minute of the play, or of the lines between two cues; by how many seconds a standby comes before its call",
        "speaking speed tempo words minute",
      ),
      entry(
        ["begin run", 'begin run "Second dress"', "end run"],
        "what is fired from now on is kept as a run, and its times count; or the run that is under way ends",
        "log performance rehearsal record times count",
      ),
      entry(
        ["call at 20", "call from #12 at 5", "call stop"],
        "live: the simulated stage manager reads the play so many times as fast and presses Go at each cue's word; or leaves",
        "caller stage manager run through",
      ),
      entry(
        ["osc on", "osc off"],
        "listens to programs outside, which press Go and more by OSC; or no longer",
        "remote control udp network",
      ),
      entry(
        ["rehearse", "rehearse at 2"],
        "runs the whole list without waiting and lists what an audience would see; called twice as fast",
        "rehearsal sweep late blackout run through",
      ),
      entry(
        ["bring in", "send out"],
        "reads files of others, and shows what they make before it is made: lists, rigs, types of lights, plays, tables; or writes the show for others",
        "import export file ascii mvr gdtf csv xlsx spreadsheet fountain docx bundle zip convert patch",
      ),
      entry(["people"], "opens the place where it is seen to who may in, and as what", "account user password role invite sign in login"),
      entry(
        ["servers", "hand over"],
        "opens the place where it is seen to which server leads and which stands ready; hands the lead to the spare without a frame missed",
        "spare backup machine failover cluster redundancy lead take over",
      ),
      entry(
        ["keep #12", "keep #12 off"],
        "keeps a cue for yourself for ten minutes: others are told, and change it only after they have taken it over; or no more",
        "lock reserve mine exclusive take over",
      ),
      entry(["backup"], "makes a backup of the show now, beside those that are made by plan", "save copy safe folder restore"),
      entry(
        ['name "after second dress"'],
        "gives the show as it is now a name, to compare with and go back to",
        "version save point snapshot",
      ),
    ],
  },
  {
    about: "Lights: on the Stage they go to the Hand, in the Score to the chosen cues, with # to the cues named",
    entries: [
      entry(
        ["5..12 = 70", "5, 7..9 = full", "1..12 / 2 = out"],
        "a level; full is 100, out is 0",
        "brightness dim intensity at percent blackout dark off on",
      ),
      entry(
        ["5 = 50 others out", "#12: 5 = 50 others out"],
        "a level, and every other light that is lit goes out",
        "solo alone only this light dark blackout",
      ),
      entry(
        ["61..64 movement circle", "61..68 movement fly-out", 'keep movement "Nod" 61..64'],
        "a ready movement: waves of several attributes at once; what lights sway in hand is kept as one",
        "effect shape circle figure eight fly out dance",
      ),
      entry(
        ["21..32 = kelvin 3200", "21..32 = hue 30 80", "21 = rgb 100 60 20", "21 = cmy 0 40 80"],
        "a colour, whatever mixes it: a white by its kelvin, hue and saturation, or red, green and blue, or what is taken out of white; per cent",
        "colour temperature cct cto hsb hsv rgb white warm cold",
      ),
      entry(
        ['21..32 = tint "Sea glass"', "21..32 = tint candle"],
        "a colour by its number or name: out of the lists that you bring (Rig, Palettes), or one of our own tints",
        "gel filter swatch book number",
      ),
      entry(["61 lit", "61..64 lit others out"], "full, and everything else of them at home: seen as they are", "highlight show me"),
      entry(["5..8 home", "5..8 pan home"], "everything but the level to its resting value; or one attribute", "default reset centre"),
      entry(["5 + 10", "5 - 10", "5 * 0.8"], "more, less, scaled"),
      entry(
        ["12 pan = -20", "12 pan -20", "12 pan - 20", "1..6 pan = -30~30"],
        "an attribute: a minus right before the number is its sign, with a space it takes off; a fan spreads over the lights, with any number of points",
        "gobo wheel zoom tilt move spread",
      ),
      entry(["61 gobo = leaves"], "a slot of a wheel by its name", "gobo wheel"),
      entry(["@front = dusk", "1..6 colour = dusk"], "a palette"),
      entry(["61..68 position fade 4.5 delay 0~3 curve ease"], "times of their own for what is in hand or stored, fans allowed"),
      entry(
        ["61..68 fade 5 over 8", "61..68 delay 0~3/2", "1..12 = 20~80*3", "@front, @sea = 30~60 by group"],
        "fades that end one behind the other, the last after 8 s; two lights at a time share a point; the fan three times over; one point for every group that is named",
        "stagger wings blocks pairs groups repeat symmetry ripple",
      ),
      entry(["1..6 pace slow-sweep"], "a stored pace laid on them"),
      entry(
        ["5 release", "5 position release"],
        "releases everything of the light, or one family: nothing is said of it any more",
        "delete clear remove free",
      ),
      entry(
        ["5 drop", "5 position drop"],
        "drops all values from the Hand, or one family; forgets stored moves of cues",
        "delete clear remove erase undo",
      ),
    ],
  },
  {
    about: "Waves",
    entries: [
      entry(
        ["61..64 pan wave sine 30 every 4 spread 0~360", "1..6 wave flicker 20 every 0.4"],
        "what sways: shape, size, how often, spread over the lights in degrees; in hand, or in the cues that are chosen",
        "effect oscillate chase shape swing phase offset",
      ),
      entry(["61..64 pan wave triangle 10~40 at slow"], "at a tempo; sizes may be a fan"),
      entry(
        ["61..64 pan wave stop", "61..64 pan wave none"],
        "stops what sways there; in hand: lets the wave go, in cues: forgets what they say of it",
      ),
      entry(["#10..14: 61..64 pan wave sine 30 every 4 only"], "in a range of cues; only: behind it everything sways as before"),
      entry(
        ["#12: waves stop", "#12: waves pass", "#12: waves track"],
        "no wave tracks past this cue; all but those of levels pass its wall; as values do",
      ),
    ],
  },
  {
    about: "What runs",
    entries: [
      entry(
        ["start tower", "start tower at #3", "go tower", "go tower to #3", "back tower"],
        "fires cues of a list now, by its name",
        "go press run list chase",
      ),
      entry(
        ["hold tower", "resume tower", "catch main", "release tower in 4"],
        "lets a list stand, go on, wait for a Go; lets it go",
        "pause stop follow",
      ),
      entry(
        ["rate tower 1.5", "master tower 60 in 3", "fader tower 40", "tempo swell 24"],
        "how fast, how bright, its fader, a tempo",
        "speed submaster beat",
      ),
      entry(
        ["raise worklight to 80 in 3", 'keep look "Warm wash"', 'keep look "Warm wash" from stage'],
        "a held look's fader; a held look of what is in hand, or of the lights that are lit",
        "submaster",
      ),
      entry(
        ["standby tower #3, main #12", "standby also flame #2", "standby", "drop standby", "fire set"],
        "chooses cues that go together, any of any list, the main one too; beside those chosen already; opens the choice; none; fires exactly those",
        "together sync",
      ),
      entry(
        ["all off", "all off in 5", "all out"],
        "lets go of every list, held look and the Hand, in 3 s or the time said; lights that stay (a column of the rig) stay",
        "release everything clear stop all end of show black dark",
      ),
      entry(
        ["blackout", "blackout off", "blackout in 2"],
        "holds all levels at 0, whatever runs beneath, until it is taken off again",
        "dark black out lights off kill",
      ),
      entry(
        ["solo tower", "solo worklight", "solo off"],
        "only lights come out whose level this list or held look holds; the others are dark until solo off",
        "alone isolate only this",
      ),
      entry(
        ["identify 61", "identify 1..6", "identify off"],
        "lights flash in the picture and in the output until others are named, or none: so one finds which is which",
        "flash highlight find locate which light",
      ),
      entry(
        ["park 61", "park 61..64 position", "unpark 61", "unpark all"],
        "lights, or some of what they do, stay as they are now whatever runs, also under a blackout; until they are let run again",
        "lock freeze hold fixed broken disable",
      ),
      entry(
        ['page "Storm" tower, worklight', 'page "Storm" press go tower to #3', 'page "Storm" press raise worklight to 80 in 3'],
        'a page of the shelf with strips and buttons of your own, made when there is none; page "Storm" none takes it away',
        "board buttons bank layout executor macro",
      ),
      entry(["grand 60", "grand 100 in 3"], "the grand master: how much of every level comes out", "main master dim everything overall"),
      entry(
        ["steps tower every 0.6", "steps tower at swell bounce", "steps tower shuffle rounds 3", "steps tower none"],
        "how a list runs by itself: seconds between two steps or the beat of a tempo, forward, back, there and back, or drawn anew each round; so many rounds, 0 for ever",
        "chase loop sequence interval order random repeat",
      ),
      entry(
        ["look worklight: 1..6 = 40", "look worklight: 21 = dusk", "look worklight: 5 drop"],
        "changes what lights are in a held look; drop: it holds nothing of them any more",
        "edit submaster preset scene values",
      ),
      entry(
        ['gather looks preshow, worklight "Looks"', 'gather looks "All looks"'],
        "a new list of held looks, a cue for each",
        "list chase from submasters",
      ),
      entry(['keep tempo "Swell" 24'], "makes a tempo, beats a minute, or gives a known one others", "beat bpm speed"),
      entry(["put on stage"], "puts this show on stage: its levels leave for the lights from now on", "output lights other show switch"),
      entry(
        ["priority tower 60", "highest worklight", "latest worklight"],
        "how a list or a held look stands to others",
        "precedence over under",
      ),
    ],
  },
  {
    about: "The Hand",
    entries: [
      entry(
        ["drop", "drop 5..8", "drop 5 position"],
        "drops all that is in hand, or what is in hand of lights, of a family; it fades back to the show",
      ),
      entry(["take up"], "takes up again what was dropped last"),
      entry(
        ["hand in times", "hand at once"],
        "what is given takes hold in its own delay, fade and curve, so that a pace is tried live; or at once",
        "fade live time",
      ),
      entry(["record new"], "records what has changed in hand as a new cue, right behind the one on stage", "next store save"),
      entry(
        ['record #33.5 "Storm breaks" up 7 down 4 delay 1.5', "record #33.5 up 7 position 9 delay 1.5"],
        "records it as a cue, new or known, with label and times",
        "store save write new cue start",
      ),
      entry(
        ["record #12 exactly", "record #12 take out", "record #12 only", "record #12 part 2"],
        "exactly this; out of the cue; this cue only, later looks stay; into a part",
      ),
      entry(
        [
          "record #12 all",
          "record #12 from stage",
          "record #12 of 5..8 position",
          "record #12 of 61 pan",
          "record #12 values",
          "record #12 times",
        ],
        "also what was recorded before; everything on stage; some lights, one family or one attribute; without own times, or those alone",
      ),
      entry(
        ['record #33.5 follows end 2 scene "II.2" note "Wait for the door"', "record #33.5 isolated"],
        "what fires the new cue, the scene that it begins and a note; or isolated on both sides",
        "auto follow automatic comment heading",
      ),
      entry(["record #12 waves", "record #12 without waves"], "what sways alone; or values alone", "effect oscillate"),
      entry(
        ["record #12 running"],
        "with what runs now beside it: lists in their cues, looks at their levels, as what the cue does besides",
        "actions chase submaster snapshot",
      ),
      entry(
        ["new cues up 7 down 4", "new cues none"],
        "the times that a new cue starts with when nothing is said of them",
        "default time setting",
      ),
      entry(["record", "update"], "opens the sheet, where all of it can be seen and chosen"),
      entry(
        ["update here", "update at source", "update in palette", "update at source of 5..8", "update here list tower"],
        "puts what has changed into the cue on stage, where its value comes from, or into its palette",
      ),
      entry(
        [
          'keep palette "Dusk" colour',
          'keep palette "Dusk" colour for types',
          'keep palette "Chair" position for each',
          'keep palette "Narrow" zoom',
        ],
        "makes a palette of what is in hand: for all lights, for each type, for each light; of one attribute alone",
      ),
      entry(['keep pace "Slow sweep"'], "makes a pace of the own times in hand"),
    ],
  },
  CUES_HELP,
  {
    about: "Rig",
    entries: [
      entry(
        ["aim 1..3 at 1.5 across 3 deep", "aim 1 at -2 across 1.5 up 4 deep"],
        "where lights that cannot turn are pointed on the stage, metres: across, up and deep as the Rig has them",
        "focus point fixed conventional direction",
      ),
      entry(['patch 1..12 as led-wash from 1.1 "Front"'], "adds lights of a type, or patches them anew, one behind the other"),
      entry(
        ["palettes from tints"],
        'a palette of each of our own tints for the lights of this rig, in one go; or of a list that you brought: palettes from list "Book"',
        "make all colours preset generate",
      ),
      entry(['keep group "Front" 1..6'], "makes a group, in this order"),
    ],
  },
];
