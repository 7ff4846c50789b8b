import { type LineChapter, entry } from "./helpEntry.ts";

/**
 * What can be typed about cues, blind: values, times, what fires them, and what is done to whole cues.
 * One chapter of the help.
 */
export const CUES_HELP: LineChapter = {
  about: "Cues, blind",
  entries: [
    entry(
      ["#10..20: 5 = 40 only", "#10..20: 5 = 40 track"],
      "in a range of cues; only: the looks behind it stay; track: later cues change too; else as the show has it",
    ),
    entry(
      ["ranges only", "ranges track"],
      "what changes of ranges do behind them in this show, where nothing is said of it",
      "default restore leak tracking preference setting",
    ),
    entry(
      ["#24..31: 5 = 15~60 along cues", "#10..20: 1..6 + 10 stored"],
      "a fan that runs along the cues; only moves that are stored, and none is made",
      "spread ramp crescendo",
    ),
    entry(
      ["up 7 down 4", "#24: up 7 delay 1.5 down 4", "#24: up 1:20 down 4+1.5", "#10..20: times * 1.2"],
      "the times of cues, of all their parts; 1:30 is a minute and a half, 2+1 is two seconds after a delay of one",
      "fade time duration seconds split in out",
    ),
    entry(
      ["#10..14: last 90", "last 1:30"],
      "the chain of these cues lasts so long in all: its fades, delays and follows are scaled together",
      "fit stretch duration scene length",
    ),
    entry(
      ["#10..20: 1..6 fade none delay none", "#10..20: 1..6 times * 1.5"],
      "clears or scales times of their own of stored moves",
      "delete reset own times",
    ),
    entry(
      ["#12 carries only", "#12..20 carries isolated", "#12 carries track"],
      "how cues carry what they move: this cue only, isolated on both sides, or tracking on",
      "cue only track tracking isolated",
    ),
    entry(
      ["#12: position 4 delay 1 colour 2", "#12: position none", "#12: part 2 up 8"],
      "times of a family; none forgets one; of one part",
    ),
    entry(
      ["#12: curve ease", "#12: position 4 curve slowStart", "#12: part 2 curve atEnd", "#12: curve none"],
      "how values run: all of a cue or a part, or one family; none: evenly",
      "ease acceleration profile shape slow start end",
    ),
    entry(
      ["#12: times as slow-sweep", "#12..14: times as #8"],
      "ready times: those of a pace, or those of another cue",
      "preset timing same copy times",
    ),
    entry(
      ["#3..8: down * 1.2", "#3..8: up, position + 20 %", "#3..8: up delay * 0.5"],
      "one column of the times, or several, by a factor or a share; what leaned on it stays as it runs",
      "scale stretch column percent",
    ),
    entry(
      ["#12: follows end 2", "#12: follows go 1.5", "#12: on go"],
      "what fires a cue: the completion of the cue before, its Go, or a press",
      "auto automatic autofollow follow-on link wait trigger start go",
    ),
    entry(
      ["#12: start tower", "#12: start tower at #3 after 1", "#12: release tower in 4"],
      "starts another list when the cue fires, some seconds after its Go; lets it go",
      "action link trigger run macro besides",
    ),
    entry(
      ["#12: rate tower 1.5", "#12: master tower 60 in 3", "#12: raise worklight to 80 in 3", "#12: tempo swell 24"],
      "a list's rate and master, a held look's level, a tempo, when the cue fires",
      "action speed fader submaster",
    ),
    entry(
      ["#12: go tower", "#12: go tower to #3", "#12: hold tower", "#12: actions none"],
      "steps a list on, holds it; takes all of it away",
      "action",
    ),
    entry(
      ["#14: 61 prepared in #10", "#14: 61 prepared takes 6 waits 2", "#14: 61 prepared in view", "#14: 61 prepared none"],
      "where a light moves in the dark for a cue, how slowly and how much later; in view; as the cue or the list has it again",
      "mark move in black pre-position slow delay dark planner",
    ),
    entry(
      ["#14: prepared dark", "#14: prepared in #10 takes 4", "list prepared before takes 3"],
      "the same for all lights of a cue: as soon as they are dark, or just before; and for the whole list where cues say nothing",
      "mark move in black policy default",
    ),
    entry(["insert #12.5", 'insert #12.5 "Lamp out"'], "a cue without moves; no look changes"),
    entry(
      ['insert #12.5 "Lamp out" block next'],
      "first blocks the cue that comes behind, then inserts: nothing leaks into later looks",
      "wall off protect",
    ),
    entry(
      ["#12: 1..6 to part 2", "#12: part 2 to part 1", 'label #12 part 2 "Sea"'],
      "gives stored moves to a part, made when it is missing; one part into another; a part's name",
      "merge join multipart name",
    ),
    entry(
      ["block #22", "unblock #22", "restate #22", "unrestate #22"],
      "a wall: nothing tracks in; restate: all that it shows runs again, so that it holds after a jump. No look changes",
      "wall stop tracking blackout assert say again",
    ),
    entry(["block #22 for 21..32", "block #22 for 21..32 colour"], "what tracks in is written for these lights; no block is set"),
    entry(
      ["recast 61 as 65 in #24..31", "recast 61 as 65 too in #24..31", "recast 61..64 as 65..68 in #24..31"],
      "65 does what 61 did, several lights one by one in their order; too: 61 goes on doing it",
      "replace swap light substitute",
    ),
    entry(
      ["recast look of 61 as 65 in #24..31 only", "recast look of 61 as 65 too in #24..31 only"],
      "65 shows what 61 showed, also what had tracked in, and 61 is out; only: behind #31 all is as before",
      "replace broken lamp fixture instead take over",
    ),
    entry(
      ["recast 61 as 71 in #24..31 leave", "recast 61 as 71 in #24..31 drop", "recast 61 as 71 map gobo to zoom turned"],
      "what 71 cannot do stays with 61, is dropped, or is done by another attribute, turned round",
    ),
    entry(
      ["recast 61 as 65 everywhere leave", "swap dusk for noon everywhere leave"],
      "in every list and every held look at once",
      "replace all whole show global",
    ),
    entry(["exchange 1 and 2 in #10..40", "exchange 1..3 and 7..9"], "each does what the other did"),
    entry(["swap dusk for noon in #10..40", "swap dusk, noon for noon, dusk in #10..40"], "one palette for another, or several at once"),
    entry(
      ["copy #12 to #13", "copy look of #12 to #30", "copy #10..20 to #50", "copy #10..20 to list main keep looks"],
      "what cues store, or their whole looks, to free numbers or into another list; keep looks: what comes behind stays as it is",
      "duplicate paste",
    ),
    entry(
      ["copy #12..16 to #80 with dusk for noon", "copy look of #12..16 to #80 with dusk, moon for noon, noon"],
      "a copy in other colours: in it some palettes give way to others",
      "recolour recolor duplicate palette day night",
    ),
    entry(
      ["move #12 to #15", "move #10..14 to #50 keep looks"],
      "cues go elsewhere with what they store, later looks follow; keep looks: every look stays",
    ),
    entry(["delete #12..14", "delete #12 drop"], "later looks stay; drop: the moves of these cues go with them", "remove erase cut"),
    entry(
      ["switch off #12..14", "switch off #12"],
      "cues are skipped as if they were not there, and kept with all they hold; seen in the spine where their numbers stand; switch on #12 puts one back",
      "disable skip mute inactive omit",
    ),
    entry(
      ["where 12 > 50", "where 61, 62 pan < 0", "where 1..6 = dusk", "where up > 5", "where position delay >= 1"],
      "which cues show a value, stored or tracked, have a colour by a palette, or run so long; they are listed and walked through",
      "search query find filter select",
    ),
    entry(
      ["where uses dusk", "where uses front", "where uses slow-sweep", "where moves 12"],
      "which cues, lists and held looks use a palette, a group, a pace, a list or a held look, or move a light",
      "used usage who dependency reference",
    ),
    entry(
      ["where 12 > 50: 12 = 50", 'where uses dusk: note "Dusk"', "where up > 5: up * 0.8"],
      "what stands behind the colon is done in every cue that is found, as one edit",
      "together all at once batch mass",
    ),
    entry(
      ["take cues", 'take #3..7 of "Spring tour" to #30'],
      "cues of another show of the database, their impact first",
      "import other show merge",
    ),
    entry(['copy list as "Matinee"'], "the whole list once more, under the same numbers"),
    entry(
      ["copy 1..6 of #10..12 to #20", "move 1..6 colour of #10..12 to #20 as 11..16"],
      "the moves that these cells store, to other cues and other lights",
      "paste cut block drag",
    ),
    entry(["split 1..4 position of #12 to #12.5"], "those moves leave for a new cue right behind"),
    entry(["renumber #10..20 from 10 by 0.5"], "the order stays, marks that name a cue go on naming it"),
    entry(
      ["renumber #10..20", "renumber"],
      "opens the table of the numbers, old and new, of some cues or of the whole list",
      "table numbers print",
    ),
    entry(
      ['#12: label "Storm breaks"', 'label #12 "Storm breaks"', "#12: label none"],
      "a label; without # it goes to the chosen cues, and none takes it away",
      "name title rename",
    ),
    entry(
      ['#12: note "Wait for the door"', "#12: note none"],
      "a note for whoever runs the show: seen in inspector and spine, and printed on the cue sheet",
      "comment remark remember",
    ),
    entry(
      ['leave note "A third too bright" #17 for 62', 'tick #17 "Taken down by a third"', "notes"],
      "what somebody who looks on asks for, pinned to a cue and to lights; ticks the notes of a cue off, with what was done; opens all notes",
      "designer director wish remark todo task",
    ),
    entry(
      ['#12: scene "I.3"', "#6..30: scene from book", "#12: scene none"],
      "the scene that begins with a cue, up to the next that names one; or the headings of the play under which the cues are called",
      "act heading section",
    ),
    entry(
      ['gather #3, #7..9 "Second storm"', 'gather #3, #7..9 "Second storm" moves'],
      "a new list of these cues in this order, with their whole looks or only what they store",
    ),
    entry(["undo", "redo"], "takes back the newest edit; makes it again"),
  ],
};
