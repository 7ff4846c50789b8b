import { type Attribute, type Family, type KeySelection, type ListSheet, type Operation, readOperation } from "@zm/core";
import { useEffect, useEffectEvent, useState } from "react";
import { type Lens, chosenCellAttributes, useChoice } from "../choice/choice.ts";
import { makeConsidered } from "../choice/makeConsidered.ts";
import { faultOf } from "../preview/preview.ts";
import { focusOn, placeRef } from "../shared/focusPlaces.ts";
import { useSame } from "../shared/useSame.ts";
import { Swatch } from "../shared/Swatch.tsx";
import { lightWords } from "../shared/words.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { lensKeys } from "../cells/cells.ts";
import { WaveEdit } from "../waves/WaveEdit.tsx";
import { OwnTimes } from "./OwnTimes.tsx";
import { useAfterRange } from "../preview/useAfterRange.ts";
import { BehindTheRange } from "./BehindTheRange.tsx";
import { DraftPanel } from "./DraftPanel.tsx";

interface RangeEditProps {
  list: ListSheet;
  cues: { from: string; to: string };
}

/** The chosen cells: what their moves are told, or in the Times lens when they run. */
export function RangeEdit({ list, cues }: RangeEditProps) {
  const { draft, ...choice } = useChoice();
  const { channels, lens } = choice;
  const attributes = chosenCellAttributes(choice);
  const family = familyShown(list, channels, attributes, lens);
  const cells = `${cues.from}/${cues.to}/${channels.join()}/${lens}/${attributes?.join()}`;
  return (
    <section aria-label="Chosen cells" className="flex flex-col gap-2.5">
      <div>
        <h2 className="text-[17px] font-bold">{cues.from === cues.to ? `Cue ${cues.from}` : `Cues ${cues.from} to ${cues.to}`}</h2>
        <p className="text-quiet">
          {lightWords(channels)}
          {attributes && `, ${attributes.join(", ")} alone`}
        </p>
      </div>
      {family !== "times" && <ValueEdit list={list} cues={cues} lens={family} only={attributes} />}
      {family !== "times" && (
        <WaveEdit
          key={`wave ${cells}`}
          list={list}
          cues={cues}
          keys={channels
            .flatMap((channel) => lensKeys(list, channel, family))
            .filter(({ attribute }) => attributes?.includes(attribute.id) ?? true)}
        />
      )}
      <OwnTimes key={cells} list={list.id} cues={cues} channels={channels} attributes={attributes} lens={lens} />
      {draft?.from === "cells" && <DraftPanel />}
    </section>
  );
}

/** The family that is edited: that of the attributes chosen of an opened light, else what the lens shows. */
function familyShown(list: ListSheet, channels: readonly number[], attributes: readonly string[] | undefined, lens: Lens): Lens {
  const [channel = -1] = channels;
  const first = attributes?.[0];
  if (first === undefined || lens === "times") return lens;
  return list.keys.byChannel.get(channel)?.get(first)?.attribute.family ?? lens;
}

/** How a level is read where none of the chosen lights can do what the lens shows. */
const LEVEL_LIMITS: Pick<Attribute, "min" | "max" | "slots"> = { min: 0, max: 100 };

/** A blind edit of the chosen lights over the chosen cues: what to do, what holds after the range, and its impact. */
function ValueEdit({ list, cues, lens, only }: RangeEditProps & { lens: Family; only: readonly string[] | undefined }) {
  const { sheet } = useShow();
  const { channels, operation, draft } = useChoice();
  const after = useAfterRange();
  const [picked, setPicked] = useState("");
  const able = new Map(channels.flatMap((channel) => lensKeys(list, channel, lens).map(({ attribute: each }) => [each.id, each])));
  const attributes = [...able.keys()].filter((each) => only?.includes(each) ?? true);
  const attribute = attributes.includes(picked) ? picked : (attributes[0] ?? "");
  const limits = able.get(attribute) ?? LEVEL_LIMITS;
  const { slots } = limits;
  const read = (typed: string): Operation | null => readOperation(typed, limits);
  const [text, setText] = useState("");
  const makeEdits = useMakeEdits();

  const [stored, setStored] = useState(false);
  const [along, setAlong] = useState(false);
  const isFan = operation !== null && "set" in operation && typeof operation.set === "string";
  const edits = useSame(
    operation && [
      {
        op: "change" as const,
        list: list.id,
        ...cues,
        keys: keysOf(channels, lens, operation, attribute, only),
        do: operation,
        where: stored ? ("moves" as const) : ("look" as const),
        after,
        ...(along && isFan ? { along: "cues" as const } : {}),
      },
    ],
  );
  useEffect(() => {
    if (edits) useChoice.setState({ draft: { from: "cells", edits } });
  }, [edits]);
  // Taken or dropped elsewhere; a text that only does not read yet stays.
  const clearTaken = useEffectEvent(() => {
    if (read(text)) setText("");
    // What was chosen for one edit is not meant for the next.
    useChoice.setState({ after: null });
  });
  useEffect(() => {
    if (operation === null) clearTaken();
  }, [operation]);

  const type = (value: string): void => {
    setText(value);
    const wanted = read(value);
    useChoice.setState({ operation: wanted, ...(wanted ? {} : { draft: null }) });
  };
  const take = (): void => {
    if (!draft || faultOf(sheet, draft.edits) !== undefined) return;
    const typed = text;
    focusOn("score");
    void makeConsidered(draft, makeEdits, () => setText(typed));
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
          id="range-value"
          ref={lens === "colour" && palettes.length > 0 ? undefined : placeRef("range value")}
          aria-label={lens === "intensity" ? undefined : `${attribute} of the cells`}
          aria-invalid={text.trim() !== "" && read(text) === null}
          title={
            text.trim() !== "" && read(text) === null ? `"${text}" is no value; write 70, +10, *0.8, out or a fan such as 15~60` : undefined
          }
          className="input input-sm figures min-w-0 flex-1 bg-base-100 aria-invalid:border-error aria-invalid:text-error"
          placeholder={slots?.[0]?.name ?? (lens === "position" ? "-20 0~30" : "70 +10 out")}
          list={slots ? "slot-names" : undefined}
          value={text}
          autoComplete="off"
          onChange={(event) => type(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter" && !event.repeat) take();
            if (event.key === "Escape") useChoice.setState({ operation: null, draft: null });
          }}
        />
      </div>
      {slots && (
        <datalist id="slot-names">
          {slots.map(({ name }) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      )}
      {palettes.length > 0 && (
        <div className="flex flex-wrap gap-1.5" role="group" aria-label={`Palettes, ${lens}`}>
          {palettes.map((palette, index) => (
            <Toggle
              key={palette.id}
              focusRef={index === 0 && lens === "colour" ? placeRef("range value") : undefined}
              pressed={operation !== null && "palette" in operation && operation.palette === palette.id}
              onClick={() => useChoice.setState({ operation: { palette: palette.id } })}
            >
              {lens === "colour" && <Swatch palette={palette} />}
              {palette.label}
            </Toggle>
          ))}
        </div>
      )}
      <div className="flex gap-1.5">
        <OperationButton operation={{ release: true }} label="Release" title="Nothing is said of these keys from here on" />
        <OperationButton
          operation={{ drop: true }}
          label="Drop moves"
          title="Forget the moves stored in these cells; what tracks in shows instead"
        />
      </div>
      {isFan && cues.from !== cues.to && (
        <fieldset className="flex gap-1.5" aria-label="What the fan runs along">
          <Toggle pressed={!along} onClick={() => setAlong(false)}>
            Along the lights
          </Toggle>
          <Toggle pressed={along} title="Each cue takes its own step: a rise in many cues" onClick={() => setAlong(true)}>
            Along the cues
          </Toggle>
        </fieldset>
      )}
      <fieldset className="flex gap-1.5" aria-label="What is changed">
        <Toggle
          pressed={!stored}
          title="After it every look of the range is so; moves are written where they are needed"
          onClick={() => setStored(false)}
        >
          The looks
        </Toggle>
        <Toggle pressed={stored} title="Only moves that are stored here are touched, and none is made" onClick={() => setStored(true)}>
          Stored moves
        </Toggle>
      </fieldset>
      <BehindTheRange after={after} />
    </>
  );
}

function OperationButton({ operation, label, title }: { operation: Operation; label: string; title: string }) {
  const current = useChoice((choice) => choice.operation);
  return (
    <Toggle title={title} pressed={JSON.stringify(current) === JSON.stringify(operation)} onClick={() => useChoice.setState({ operation })}>
      {label}
    </Toggle>
  );
}

/** A number speaks of the chosen attribute, anything else of the whole family, or of the attributes chosen of an opened light. */
function keysOf(
  channels: readonly number[],
  lens: Family,
  operation: Operation,
  attribute: string,
  only: readonly string[] | undefined,
): KeySelection {
  const isNumber = "set" in operation || "add" in operation || "scale" in operation;
  if (isNumber && lens !== "intensity") return { channels: [...channels], attributes: [attribute] };
  return { channels: [...channels], ...(only && !("palette" in operation) ? { attributes: [...only] } : { families: [lens] }) };
}
