import { type Deed, type ListSheet, deedWords } from "@zm/core";
import { useEffect, useState } from "react";
import { type Lens, useChoice } from "../choice/choice.ts";
import { useDraft } from "../choice/useDraft.ts";
import { Swatch } from "../shared/Swatch.tsx";
import { lightWords } from "../shared/words.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { OwnTimes } from "./OwnTimes.tsx";
import { DraftPanel } from "./DraftPanel.tsx";
import { readDeed } from "./readDeed.ts";

interface RangeEditProps {
  list: ListSheet;
  cues: { from: string; to: string };
}

/** A blind edit of the chosen lights over the chosen cues: what to do, what holds after the range, and its impact. */
export function RangeEdit({ list, cues }: RangeEditProps) {
  const { sheet } = useShow();
  const { channels, lens, deed, after, draft } = useChoice();
  const [text, setText] = useState("");
  const makeEdits = useMakeEdits();
  const outcome = useDraft();
  const cells = `${cues.from}/${cues.to}/${channels.join()}/${lens}`;

  useEffect(() => {
    if (deed) useChoice.setState({ draft: { from: "cells", edits: [changeOf(list.id, cues, channels, lens, deed, after)] } });
  }, [cells, deed, after, list.id]);
  useEffect(() => {
    // Taken or dropped elsewhere; a text that only does not read yet stays.
    if (deed === null && readDeed(text)) setText("");
  }, [deed]);

  const type = (value: string): void => {
    setText(value);
    const read = readDeed(value);
    useChoice.setState({ deed: read, ...(read ? {} : { draft: null }) });
  };
  const take = async (): Promise<void> => {
    if (!draft || !outcome || "fault" in outcome) return;
    if (await makeEdits(draft.edits)) {
      useChoice.setState({ draft: null, deed: null });
      document.querySelector<HTMLElement>('[aria-label="Score"]')?.focus();
    }
  };
  const palettes = sheet.show.palettes.filter((palette) => palette.family === "colour");
  return (
    <section aria-label="Chosen cells" className="flex flex-col gap-2.5">
      <div>
        <h2 className="text-[17px] font-bold">{cues.from === cues.to ? `Cue ${cues.from}` : `Cues ${cues.from} to ${cues.to}`}</h2>
        <p className="text-quiet">{lightWords(channels)}</p>
      </div>
      <div className="flex items-center gap-2">
        {lens === "intensity" ? (
          <label htmlFor="range-value" className="w-14 shrink-0 text-quiet">
            level
          </label>
        ) : (
          <span className="w-14 shrink-0 text-quiet">colour</span>
        )}
        {lens === "intensity" && (
          <input
            id="range-value"
            className="input input-sm figures w-24 bg-base-100"
            placeholder="70 +10 out"
            value={text}
            autoComplete="off"
            onChange={(event) => type(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === "Enter") void take();
              if (event.key === "Escape") useChoice.setState({ deed: null, draft: null });
            }}
          />
        )}
        {lens === "colour" && (
          <span className="font-bold">
            {deed ? ("palette" in deed ? (list.palettes.byId.get(deed.palette)?.label ?? deed.palette) : deedWords(deed)) : "choose below"}
          </span>
        )}
      </div>
      {lens === "colour" && (
        <div className="flex flex-wrap gap-1.5">
          {palettes.map((palette, index) => (
            <Toggle
              key={palette.id}
              id={index === 0 ? "range-value" : undefined}
              pressed={deed !== null && "palette" in deed && deed.palette === palette.id}
              onClick={() => useChoice.setState({ deed: { palette: palette.id } })}
            >
              <Swatch palette={palette} />
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
      <OwnTimes key={cells} list={list.id} cues={cues} channels={channels} lens={lens} />
      {draft?.from === "cells" && <DraftPanel />}
    </section>
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

function changeOf(
  list: string,
  cues: { from: string; to: string },
  channels: readonly number[],
  lens: Lens,
  deed: Deed,
  after: "restore" | "track",
) {
  return {
    op: "change" as const,
    list,
    ...cues,
    keys: { channels: [...channels], families: [lens] },
    do: deed,
    where: "look" as const,
    after,
  };
}
