import { type ColourList, ShowError, count, freeIdAmong, readColours, tintPalettes } from "@zm/core";
import { X } from "lucide-react";
import { useRef } from "react";
import { ActionButton } from "../shared/ActionButton.tsx";
import { FileField } from "../shared/FileField.tsx";
import { notify } from "../shared/notices.ts";
import { unlessRefused } from "../shared/unlessRefused.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";

/** Colours by number that somebody brings as a table, and palettes of every colour in one go: of our own tints, or of such a list. */
export function ColourTools() {
  const { show } = useShow().sheet;
  const makeEdits = useMakeEdits();
  const file = useRef<HTMLInputElement>(null);
  const lists = show.colourLists ?? [];
  const bring = async (chosen: File): Promise<void> => {
    try {
      const colours = readColours(await chosen.text());
      const label = chosen.name.replace(/\.[^.]*$/, "");
      const known = lists.find((each) => each.label === label);
      const id = known?.id ?? freeIdAmong(label, lists);
      if (await makeEdits([{ op: "setColourList", colourList: { id, label, colours } }]))
        notify(
          `${count(colours.length, "colour")} of ${label} can be given by number: on the Stage, or typed 21 = tint ${colours[0]?.number ?? "101"}`,
        );
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      notify(`${chosen.name} was not read; nothing has changed.\n${error.faults.slice(0, 6).join("\n")}`, "trouble");
    }
  };
  const palettes = async (list?: ColourList): Promise<void> => {
    const edits = unlessRefused(() => tintPalettes(show, list));
    if (edits && (await makeEdits(edits)))
      notify(`${count(edits.length, "palette")} made. Ctrl Z takes all of them back`, "word", { of: "step" });
  };
  return (
    <div className="mb-3 flex flex-wrap items-center gap-1.5" role="group" aria-label="Colours">
      <ActionButton className="btn btn-xs border-neutral font-normal" onAct={() => palettes()} title="Typed: palettes from tints">
        A palette of each tint
      </ActionButton>
      <button
        type="button"
        className="btn btn-xs border-neutral font-normal"
        title="A table with the columns number, name and rgb (#ffb066), or red, green and blue"
        onClick={() => file.current?.click()}
      >
        Bring colours by number (CSV) …
      </button>
      <FileField ref={file} accept=".csv,text/csv" label="Table of colours" onFile={bring} />
      {lists.map((list) => (
        <span key={list.id} className="flex items-center gap-1 rounded border border-rule pl-2 text-[13px]">
          {list.label || list.id}, {count(list.colours.length, "colour")}
          <ActionButton className="btn btn-ghost btn-xs font-normal" onAct={() => palettes(list)}>
            Palettes of them
          </ActionButton>
          <ActionButton
            className="btn btn-ghost btn-xs btn-square"
            aria-label={`Take the list ${list.label || list.id} away`}
            onAct={() => makeEdits([{ op: "removeColourList", colourList: list.id }])}
          >
            <X size={12} />
          </ActionButton>
        </span>
      ))}
    </div>
  );
}
