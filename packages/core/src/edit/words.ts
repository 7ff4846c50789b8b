import type { ChangeEdit, Deed, Edit, KeySelection } from "./edits.ts";

/** What edits do, as a short sentence for the history: "Cues 10 to 20, 6 lights: intensity +10, restored after". */
export function describeEdits(edits: readonly Edit[]): string {
  const first = edits[0];
  if (!first) return "Nothing";
  const more = edits.length > 1 ? ` and ${edits.length - 1} more` : "";
  return describeEdit(first) + more;
}

function describeEdit(edit: Edit): string {
  switch (edit.op) {
    case "record":
      return `Cue ${edit.cue}: ${edit.mode === "remove" ? "moves taken out" : `${lightsIn(Object.keys(edit.moves).length)} recorded`}${edit.scope === "cueOnly" ? ", this cue only" : ""}`;
    case "change":
      return `${range(edit)}, ${whose(edit.keys)}: ${what(edit)}${edit.after === "restore" ? ", restored after" : ""}`;
    case "setTimes":
      return `${range(edit)}: times ${edit.scale === undefined ? "set" : `× ${edit.scale}`}`;
    case "setCue":
      return `${range(edit)}: ${Object.keys(edit)
        .filter((name) => !["op", "list", "from", "to"].includes(name))
        .join(", ")} set`;
    case "insertCue":
      return `Cue ${edit.cue} inserted`;
    case "deleteCue":
      return `Cue ${edit.cue} deleted, ${edit.looks === "keepLooks" ? "looks kept" : "its moves let go"}`;
    case "steps":
      return `${edit.steps.length} exact ${edit.steps.length === 1 ? "change" : "changes"}`;
  }
}

function range({ from, to }: { from: string; to: string }): string {
  return from === to ? `Cue ${from}` : `Cues ${from} to ${to}`;
}

function whose({ channels }: KeySelection): string {
  return channels ? lightsIn(channels.length) : "all lights";
}

function lightsIn(count: number): string {
  return count === 1 ? "1 light" : `${count} lights`;
}

function what(edit: ChangeEdit): string {
  const names = [...(edit.keys.attributes ?? []), ...(edit.keys.families ?? [])].join(" and ");
  return [names, deedWords(edit.do)].filter(Boolean).join(" ");
}

/** A deed in a word or two: "to 50", "+10", "× 0.8", "dusk", "let go". */
export function deedWords(deed: Deed): string {
  if ("set" in deed) return `to ${deed.set}`;
  if ("palette" in deed) return deed.palette;
  if ("add" in deed) return deed.add < 0 ? `−${-deed.add}` : `+${deed.add}`;
  if ("scale" in deed) return `× ${deed.scale}`;
  return "release" in deed ? "let go" : "moves dropped";
}
