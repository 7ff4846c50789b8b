import { LINE_HELP } from "@zm/core";
import { Command } from "cmdk";
import { useEffect, useRef, useState } from "react";
import { putLine } from "../line/lineText.ts";

const KEYS: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
  [
    "Keys, everywhere",
    [
      ["/", "to the line entry"],
      ["?", "this help, to be searched"],
      ["r", "record: the sheet"],
      ["n", "record what has changed in hand as the next cue"],
      ["u", "update the cue on stage"],
      ["Esc", "let go of the choice; where it is live, once more lets go of the values in hand"],
      ["Ctrl Z", "take back"],
      ["Ctrl Shift Z", "make again"],
    ],
  ],
  [
    "Keys, Stage",
    [
      ["click", "choose a light; with Shift take it in or out"],
      ["drag", "draw a line around lights; with Shift they come to those chosen"],
      ["drag a ring", "move where the chosen lights land; with Alt all to one place"],
      ["Delete", "drop the value that has the focus from the Hand"],
    ],
  ],
  [
    "Keys, Score",
    [
      ["arrows", "walk cues and lights"],
      ["Shift arrows", "widen the chosen block"],
      ["Page, Home, End", "further at once"],
      ["Enter", "give the chosen cells a value"],
      ["t", "tracked values on or off"],
      ["double click", "write a label or a time in the spine"],
    ],
  ],
  [
    "Keys, Run",
    [
      ["Space", "Go, while the Go button has the focus"],
      ["Ctrl Enter", "Go, from anywhere in Run"],
      ["Ctrl Backspace", "back"],
      ["Ctrl .", "hold and go on"],
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

/** Every key and everything that can be typed, to be searched. What is chosen of the typed goes to the line entry. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    dialog.current?.showModal();
    dialog.current?.querySelector("input")?.focus();
  }, []);
  const [search, setSearch] = useState("");
  const take = (typed: readonly string[]): void => {
    onClose();
    setTimeout(() => putLine(typed.find((line) => holdsWords(line, search) === 1) ?? typed[0] ?? ""), 0);
  };
  return (
    <dialog ref={dialog} className="modal" onClose={onClose} aria-label="Keys">
      <div className="modal-box flex h-[620px] max-w-4xl flex-col border border-rule bg-base-200 p-0">
        <Command loop filter={holdsWords} className="flex min-h-0 flex-1 flex-col" label="Help">
          <Command.Input
            value={search}
            onValueChange={setSearch}
            placeholder="search keys and what can be typed"
            className="h-12 w-full border-b border-rule bg-transparent px-5 text-[16px] outline-none placeholder:text-quiet"
          />
          <Command.List className="min-h-0 flex-1 overflow-y-auto px-3 py-2">
            <Command.Empty className="px-3 py-4 text-quiet">Nothing of that. Fewer letters find more.</Command.Empty>
            {KEYS.map(([where, keys]) => (
              <Command.Group key={where} heading={where} className={GROUP}>
                {keys.map(([key, what]) => (
                  <Command.Item key={key} value={`${where} ${key} ${what}`} className={ITEM} disabled>
                    <span className="figures w-64 shrink-0 text-[13px]">{key}</span>
                    <span className="text-quiet">{what}</span>
                  </Command.Item>
                ))}
              </Command.Group>
            ))}
            {LINE_HELP.map(({ about, entries }) => (
              <Command.Group key={about} heading={`Typed: ${about}`} className={GROUP}>
                {entries.map(({ typed, does }) => (
                  <Command.Item key={does} value={`${about} ${typed.join(" ")} ${does}`} className={ITEM} onSelect={() => take(typed)}>
                    <span className="figures w-64 shrink-0 text-[13px]">
                      {typed.map((each) => (
                        <span key={each} className="block">
                          {each}
                        </span>
                      ))}
                    </span>
                    <span className="text-quiet">{does}</span>
                  </Command.Item>
                ))}
              </Command.Group>
            ))}
          </Command.List>
          <div className="flex items-center justify-between border-t border-rule px-5 py-2 text-[13px] text-quiet">
            Enter puts a typed example into the line entry
            <button type="button" className="btn btn-sm" onClick={onClose}>
              Close
            </button>
          </div>
        </Command>
      </div>
    </dialog>
  );
}

const GROUP =
  "[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:font-bold [&_[cmdk-group-heading]]:text-primary";
const ITEM = "flex gap-4 rounded px-2 py-0.5 data-[selected=true]:bg-base-300";

/** Finds what holds every word that is searched for. */
function holdsWords(value: string, search: string): number {
  const all = value.toLowerCase();
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word))
    ? 1
    : 0;
}
