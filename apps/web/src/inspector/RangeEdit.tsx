import type { Deed, Family, KeySelection, ListSheet } from "@zm/core";
import { useEffect, useState } from "react";
import { useChoice } from "../choice/choice.ts";
import { faultOf } from "../preview/preview.ts";
import { Swatch } from "../shared/Swatch.tsx";
import { lightWords } from "../shared/words.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { lensKeys } from "../cells/cells.ts";
import { OwnTimes } from "./OwnTimes.tsx";
import { DraftPanel } from "./DraftPanel.tsx";
import { readDeed } from "./readDeed.ts";

interface RangeEditProps {
  list: ListSheet;
  cues: { from: string; to: string };
}

/** The chosen cells: what their moves are told, or in the Times lens when they run. */
export function RangeEdit({ list, cues }: RangeEditProps) {
  const { channels, lens, draft } = useChoice();
  const cells = `${cues.from}/${cues.to}/${channels.join()}/${lens}`;
  return (
    <section aria-label="Chosen cells" className="flex flex-col gap-2.5">
      <div>
        <h2 className="text-[17px] font-bold">{cues.from === cues.to ? `Cue ${cues.from}` : `Cues ${cues.from} to ${cues.to}`}</h2>
        <p className="text-quiet">{lightWords(channels)}</p>
      </div>
      {lens !== "times" && <ValueEdit list={list} cues={cues} lens={lens} cells={cells} />}
      <OwnTimes key={cells} list={list.id} cues={cues} channels={channels} lens={lens} />
      {draft?.from === "cells" && <DraftPanel />}
    </section>
  );
}

/** A blind edit of the chosen lights over the chosen cues: what to do, what holds after the range, and its impact. */
function ValueEdit({ list, cues, lens, cells }: RangeEditProps & { lens: Family; cells: string }) {
  const { sheet } = useShow();
  const { channels, deed, after, draft } = useChoice();
  const [picked, setPicked] = useState("");
  const attributes = [...new Set(channels.flatMap((channel) => lensKeys(list, channel, lens).map((key) => key.attribute.id)))];
  const attribute = attributes.includes(picked) ? picked : (attributes[0] ?? "");
  const [text, setText] = useState("");
  const makeEdits = useMakeEdits();

  useEffect(() => {
    if (deed)
      useChoice.setState({
        draft: { from: "cells", edits: [changeOf(list.id, cues, keysOf(channels, lens, deed, attribute), deed, after)] },
      });
  }, [cells, deed, attribute, after, list.id]);
  useEffect(() => {
    // Taken or dropped elsewhere; a text that only does not read yet stays.
    if (deed === null && readDeed(text)) setText("");
  }, [deed]);

  const type = (value: string): void => {
    setText(value);
    const read = readDeed(value);
    useChoice.setState({ deed: read, ...(read ? {} : { draft: null }) });
  };
  const take = (): void => {
    if (!draft || faultOf(sheet, draft.edits) !== undefined) return;
    const typed = text;
    useChoice.setState({ draft: null, deed: null });
    document.getElementById("score")?.focus();
    void makeEdits(draft.edits).then((made) => {
      // A refused value comes back where nothing else has been begun.
      if (!made && useChoice.getState().deed === null) type(typed);
    });
  };
  const palettes = sheet.show.palettes.filter((palette) => palette.family === lens);
  return (
    <>
      <div className="flex items-center gap-2">
        {lens === "intensity" ? (
          <label htmlFor="range-value" className="w-14 shrink-0 text-quiet">
            level
          </label>
        ) : (
          <select
            aria-label="attribute"
            className="select select-sm w-28 shrink-0 bg-base-100"
            value={attribute}
            onChange={(event) => setPicked(event.target.value)}
          >
            {attributes.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        )}
        <input
          id={lens === "colour" && palettes.length > 0 ? undefined : "range-value"}
          aria-label={lens === "intensity" ? undefined : `${attribute} of the cells`}
          aria-invalid={text.trim() !== "" && readDeed(text) === null}
          title={
            text.trim() !== "" && readDeed(text) === null
              ? `"${text}" is no value; write 70, +10, *0.8, out or a fan such as 0~50`
              : undefined
          }
          className="input input-sm figures min-w-0 flex-1 bg-base-100 aria-invalid:border-error aria-invalid:text-error"
          placeholder={lens === "position" ? "=-20 0~30" : "70 +10 out"}
          value={text}
          autoComplete="off"
          onChange={(event) => type(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter" && !event.repeat) take();
            if (event.key === "Escape") useChoice.setState({ deed: null, draft: null });
          }}
        />
      </div>
      {palettes.length > 0 && (
        <div className="flex flex-wrap gap-1.5" role="group" aria-label={`Palettes, ${lens}`}>
          {palettes.map((palette, index) => (
            <Toggle
              key={palette.id}
              id={index === 0 && lens === "colour" ? "range-value" : undefined}
              pressed={deed !== null && "palette" in deed && deed.palette === palette.id}
              onClick={() => useChoice.setState({ deed: { palette: palette.id } })}
            >
              {lens === "colour" && <Swatch palette={palette} />}
              {palette.label}
            </Toggle>
          ))}
        </div>
      )}
      <div className="flex gap-1.5">
        <DeedButton deed={{ release: true }} label="Let go" title="Nothing of these keys is said any more: a release" />
        <DeedButton deed={{ drop: true }} label="Drop moves" title="Forget the moves stored in these cells; what tracks in shows instead" />
      </div>
      <fieldset className="flex gap-1.5" aria-label="After the range">
        {(["restore", "track"] as const).map((choice) => (
          <Toggle
            key={choice}
            pressed={after === choice}
            title={choice === "restore" ? "No look past the range changes" : "What the last cue shows tracks on to the next move"}
            onClick={() => useChoice.setState({ after: choice })}
          >
            {choice === "restore" ? "Restore after" : "Track on"}
          </Toggle>
        ))}
      </fieldset>
    </>
  );
}

function DeedButton({ deed, label, title }: { deed: Deed; label: string; title: string }) {
  const current = useChoice((choice) => choice.deed);
  return (
    <Toggle title={title} pressed={JSON.stringify(current) === JSON.stringify(deed)} onClick={() => useChoice.setState({ deed })}>
      {label}
    </Toggle>
  );
}

/** A number speaks of the chosen attribute, anything else of the whole family. */
function keysOf(channels: readonly number[], lens: Family, deed: Deed, attribute: string): KeySelection {
  const isNumber = "set" in deed || "add" in deed || "scale" in deed;
  return { channels: [...channels], ...(isNumber && lens !== "intensity" ? { attributes: [attribute] } : { families: [lens] }) };
}

function changeOf(list: string, cues: { from: string; to: string }, keys: KeySelection, deed: Deed, after: "restore" | "track") {
  return {
    op: "change" as const,
    list,
    ...cues,
    keys,
    do: deed,
    where: "look" as const,
    after,
  };
}
