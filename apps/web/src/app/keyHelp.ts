/** One key and what it does, with words that people look for it by. */
export type KeyHelp = readonly [key: string, does: string, found?: string];

/** Every key, by where it holds. */
export const KEY_HELP: readonly (readonly [where: string, keys: readonly KeyHelp[]])[] = [
  [
    "Keys, everywhere",
    [
      ["/", "to the line entry"],
      ["?", "this help, to be searched"],
      ["Ctrl F", "find a cue by number, label, scene or note", "search look"],
      ["r", "record: the sheet", "store save write new cue"],
      ["n", "record what has changed in hand as the next cue", "store save new cue"],
      ["u", "update the cue on stage"],
      ["Esc", "let go of the choice; where it is live, once more lets go of the values in hand", "clear cancel deselect"],
      ["Ctrl Z", "take back the newest step, of the show or of the Hand; in an empty line too", "undo"],
      ["Ctrl Shift Z, Ctrl Y", "make again what was taken back", "redo"],
    ],
  ],
  [
    "Keys, Stage",
    [
      ["click", "choose a light; with Shift take it in or out", "select"],
      ["drag", "draw a line around lights; with Shift they come to those chosen", "select lasso"],
      ["drag a ring", "move where the chosen lights land; with Alt all to one place", "position pan tilt focus"],
      ["drag the fan", "spread values over the lights; with Shift ever so finely", "fan spread"],
      ["Delete", "drop the value that has the focus from the Hand", "remove clear"],
    ],
  ],
  [
    "Keys, Score",
    [
      ["arrows", "walk cues and lights"],
      ["Shift arrows", "widen the chosen block", "select range"],
      ["Page, Home, End", "further at once"],
      ["Enter", "give the chosen cells a value", "edit change level"],
      ["t", "tracked values on or off", "tracking"],
      ["double click", "write a label, a time or what a cue follows in the spine", "edit rename"],
    ],
  ],
  [
    "Keys, Run",
    [
      ["Space", "Go, while the Go button has the focus", "start fire"],
      ["Ctrl Enter", "Go, from anywhere in Run", "start fire next"],
      ["Ctrl Backspace", "back"],
      ["Ctrl →, Ctrl ←", "step to the next cue or the one before at once, without waiting for times", "skip next previous"],
      ["Ctrl .", "hold and go on", "pause stop"],
    ],
  ],
  [
    "Keys, line entry",
    [
      ["Tab", "takes the word that is offered"],
      ["arrow up", "in an empty line: what was typed before"],
    ],
  ],
];

/** What somebody new does first, step by step, and the view in which it is done. */
export const FIRST_STEPS: readonly { readonly does: string; readonly how: string; readonly view: string }[] = [
  { does: "Make a type of light", how: "what it can do: a level, pan and tilt, colours", view: "rig/types" },
  { does: "Add lights", how: "1 to 12, of a type, from an address; or type  patch 1..12 as led-wash from 1.1", view: "rig/lights" },
  { does: "Make groups", how: 'lights that you often take together; or type  keep group "Front" 1..6', view: "rig/groups" },
  { does: "Build the first look", how: "choose lights on the Stage and give them levels; or type  1..6 = 70", view: "stage" },
  {
    does: "Record it",
    how: "n records what is in hand as the next cue; r opens the sheet with everything that can be said",
    view: "stage",
  },
  { does: "Build the next look on it", how: "a cue stores only what changes; the rest tracks on", view: "stage" },
  { does: "Read and change cues", how: "the Score shows every cue; nothing moves on stage while you edit there", view: "score" },
  { does: "Run it", how: "Go, back, hold; Ctrl Enter presses Go", view: "run" },
];
