/** One key: where it holds, how it is pressed and shown, what it does, and words that people look for it by. */
export interface KeyEntry {
  readonly where: "everywhere" | "Stage" | "Score" | "Run" | "line entry";
  readonly shown: string;
  readonly does: string;
  readonly found?: string;
  /** What is pressed, as the shortcut package writes it; absent for a gesture, and for what a field does by itself. */
  readonly keys?: string;
  /** A character by itself, wherever it stands on the keyboard: with Ctrl or Alt it is something else. */
  readonly plain?: true;
  /** Holds inside fields too. */
  readonly inFields?: true;
  /** Holds while a drawer is open, as letters do not: they belong to what is filled in there. */
  readonly inDrawers?: true;
}

/** Every key of the application: the shortcuts are bound from this table, and the help is printed from it. */
export const KEYS = {
  line: { where: "everywhere", shown: "/", keys: "/", plain: true, inDrawers: true, does: "to the line entry" },
  help: { where: "everywhere", shown: "?", keys: "?", plain: true, inDrawers: true, does: "this help, to be searched" },
  find: {
    where: "everywhere",
    shown: "Ctrl F",
    keys: "mod+f",
    inFields: true,
    inDrawers: true,
    does: "find a cue by number, label, scene or note",
    found: "search look",
  },
  record: {
    where: "everywhere",
    shown: "r",
    keys: "r",
    plain: true,
    does: "record: the sheet",
    found: "store save write new cue",
  },
  recordNext: {
    where: "everywhere",
    shown: "n",
    keys: "n",
    plain: true,
    does: "record what has changed in hand as the next cue",
    found: "store save new cue",
  },
  update: { where: "everywhere", shown: "u", keys: "u", plain: true, does: "update the cue on stage" },
  letGo: {
    where: "everywhere",
    shown: "Esc",
    keys: "escape",
    plain: true,
    does: "let go of the choice; where it is live, once more lets go of the values in hand",
    found: "clear cancel deselect",
  },
  undo: {
    where: "everywhere",
    shown: "Ctrl Z",
    keys: "mod+z",
    inDrawers: true,
    does: "take back the newest step, of the show or of the Hand; in an empty line too",
    found: "undo",
  },
  redo: {
    where: "everywhere",
    shown: "Ctrl Shift Z, Ctrl Y",
    keys: "mod+shift+z, mod+y",
    inDrawers: true,
    does: "make again what was taken back",
    found: "redo",
  },
  chooseLight: { where: "Stage", shown: "click", does: "choose a light; with Shift take it in or out", found: "select" },
  drawAround: {
    where: "Stage",
    shown: "drag",
    does: "draw a line around lights; with Shift they come to those chosen",
    found: "select lasso",
  },
  moveRing: {
    where: "Stage",
    shown: "drag a ring",
    does: "move where the chosen lights land; with Alt all to one place",
    found: "position pan tilt focus",
  },
  fan: {
    where: "Stage",
    shown: "drag the fan",
    does: "spread values over the lights; with Shift ever so finely",
    found: "fan spread",
  },
  dropValue: { where: "Stage", shown: "Delete", does: "drop the value that has the focus from the Hand", found: "remove clear" },
  walk: {
    where: "Score",
    shown: "arrows",
    keys: "up, down, left, right, shift+up, shift+down, shift+left, shift+right",
    does: "walk cues and lights",
  },
  widen: { where: "Score", shown: "Shift arrows", does: "widen the chosen block", found: "select range" },
  leap: {
    where: "Score",
    shown: "Page, Home, End",
    keys: "pageup, pagedown, home, end, shift+pageup, shift+pagedown, shift+home, shift+end",
    does: "further at once",
  },
  giveValue: {
    where: "Score",
    shown: "Enter",
    keys: "enter, f2",
    does: "give the chosen cells a value; make what is considered for them",
    found: "edit change level",
  },
  wholeRow: {
    where: "Score",
    shown: "a",
    keys: "a",
    plain: true,
    does: "all lights of the chosen cues",
    found: "select row",
  },
  wholeColumn: {
    where: "Score",
    shown: "c",
    keys: "c",
    plain: true,
    does: "all cues of the chosen lights",
    found: "select column",
  },
  everything: { where: "Score", shown: "Ctrl A", keys: "mod+a", does: "all cells", found: "select all" },
  copyCells: {
    where: "Score",
    shown: "Ctrl C, Ctrl X",
    does: "copy the moves that the chosen cells store, or copy and forget them",
    found: "cut clipboard",
  },
  pasteCells: {
    where: "Score",
    shown: "Ctrl V",
    does: "put what was copied where the chosen cell is, after its impact was shown",
    found: "paste clipboard",
  },
  carryCells: {
    where: "Score",
    shown: "Alt drag",
    does: "move the chosen block to another cue or light",
    found: "drag block",
  },
  tracked: { where: "Score", shown: "t", keys: "t", plain: true, does: "tracked values on or off", found: "tracking" },
  moving: {
    where: "Score",
    shown: "m",
    keys: "m",
    plain: true,
    does: "only lights that move in the chosen cues, or all again",
    found: "filter hide",
  },
  openLights: {
    where: "Score",
    shown: "o",
    keys: "o",
    plain: true,
    does: "open the chosen lights into their attributes, or close them",
    found: "expand attributes",
  },
  foldScene: {
    where: "Score",
    shown: "f",
    keys: "f",
    plain: true,
    does: "fold the scene of the chosen cue into one line, or open it",
    found: "collapse scenes",
  },
  showParts: {
    where: "Score",
    shown: "p",
    keys: "p",
    plain: true,
    does: "show the parts under the chosen cue, or put them away",
    found: "expand parts",
  },
  pictures: {
    where: "Score",
    shown: "v",
    keys: "v",
    plain: true,
    does: "the stage picture of the cue in sight, before and after what is considered, and the difference",
    found: "preview compare stage",
  },
  toImpact: {
    where: "Score",
    shown: "i",
    keys: "i",
    plain: true,
    does: "to the impact, to walk it with the arrows",
    found: "effect changes",
  },
  numbers: {
    where: "Score",
    shown: "#",
    keys: "#",
    plain: true,
    does: "the table of the numbers, old and new, of the chosen cues",
    found: "renumber print",
  },
  drawTimes: {
    where: "Score",
    shown: "d",
    keys: "d",
    plain: true,
    does: "draw the chosen cues over time, or put the drawing away",
    found: "times timeline fade delay",
  },
  dragTimes: {
    where: "Score",
    shown: "arrows on a bar",
    does: "in the drawing of times: a longer or shorter fade, with Alt the delay, with Shift by a second; Enter makes it",
    found: "times fade delay",
  },
  rewrite: {
    where: "Score",
    shown: "double click",
    does: "write a label, a time or what a cue follows in the spine",
    found: "edit rename",
  },
  go: { where: "Run", shown: "Space", does: "Go, while the Go button has the focus", found: "start fire" },
  goAnywhere: {
    where: "Run",
    shown: "Ctrl Enter",
    keys: "ctrl+enter",
    inFields: true,
    inDrawers: true,
    does: "Go, from anywhere in Run",
    found: "start fire next",
  },
  back: { where: "Run", shown: "Ctrl Backspace", keys: "ctrl+backspace", inDrawers: true, does: "back" },
  stepOn: {
    where: "Run",
    shown: "Ctrl →",
    keys: "ctrl+right",
    inDrawers: true,
    does: "step to the next cue at once, without waiting for times",
    found: "skip next",
  },
  stepBack: {
    where: "Run",
    shown: "Ctrl ←",
    keys: "ctrl+left",
    inDrawers: true,
    does: "step to the cue before at once, without waiting for times",
    found: "skip previous",
  },
  hold: { where: "Run", shown: "Ctrl .", keys: "ctrl+.", inDrawers: true, does: "hold and go on", found: "pause stop" },
  takeWord: { where: "line entry", shown: "Tab", does: "takes the word that is offered" },
  recall: { where: "line entry", shown: "arrow up", does: "in an empty line: what was typed before" },
} as const satisfies Readonly<Record<string, KeyEntry>>;

/** The name of a key in the table. */
export type KeyName = keyof typeof KEYS;
