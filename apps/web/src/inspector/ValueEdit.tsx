import type { Family, Operation } from "@zm/core";
import { considerOperation, dropDraft, useDraft } from "../choice/draft.ts";
import { placeRef } from "../shared/focusPlaces.ts";
import { Swatch } from "../shared/Swatch.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useShow } from "../show/useShow.ts";
import { BehindTheRange } from "./BehindTheRange.tsx";
import { type ChosenCells, useValueDraft } from "./useValueDraft.ts";

/** A blind edit of the chosen lights over the chosen cues: what to do, what holds after the range, and its impact. */
export function ValueEdit(cells: ChosenCells) {
  const { cues, lens } = cells;
  const { sheet } = useShow();
  const value = useValueDraft(cells);
  const hasPalettes = sheet.show.palettes.some(({ family }) => family === lens);
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
            value={value.attribute}
            onChange={(event) => value.setPicked(event.target.value)}
          >
            {value.attributes.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        )}
        <ValueField lens={lens} value={value} isFirst={lens !== "colour" || !hasPalettes} />
      </div>
      <PaletteToggles lens={lens} />
      <div className="flex gap-1.5">
        <OperationButton operation={{ release: true }} label="Release" title="Nothing is said of these keys from here on" />
        <OperationButton
          operation={{ drop: true }}
          label="Drop moves"
          title="Forget the moves stored in these cells; what tracks in shows instead"
        />
      </div>
      {value.isFan && cues.from !== cues.to && (
        <fieldset className="flex gap-1.5" aria-label="What the fan runs along">
          <Toggle pressed={!value.along} onClick={() => value.setAlong(false)}>
            Along the lights
          </Toggle>
          <Toggle pressed={value.along} title="Each cue takes its own step: a rise in many cues" onClick={() => value.setAlong(true)}>
            Along the cues
          </Toggle>
        </fieldset>
      )}
      <fieldset className="flex gap-1.5" aria-label="What is changed">
        <Toggle
          pressed={!value.stored}
          title="After it every look of the range is so; moves are written where they are needed"
          onClick={() => value.setStored(false)}
        >
          The looks
        </Toggle>
        <Toggle
          pressed={value.stored}
          title="Only moves that are stored here are touched, and none is made"
          onClick={() => value.setStored(true)}
        >
          Stored moves
        </Toggle>
      </fieldset>
      <BehindTheRange after={value.after} />
    </>
  );
}

/** The field for the value, with the names of slots where the attribute has some. */
function ValueField({ lens, value, isFirst }: { lens: Family; value: ReturnType<typeof useValueDraft>; isFirst: boolean }) {
  const { slots, text, isNonsense } = value;
  return (
    <>
      <input
        id="range-value"
        ref={isFirst ? placeRef("range value") : undefined}
        aria-label={lens === "intensity" ? undefined : `${value.attribute} of the cells`}
        aria-invalid={isNonsense}
        title={isNonsense ? `"${text}" is no value; write 70, +10, *0.8, out or a fan such as 15~60` : undefined}
        className="input input-sm figures min-w-0 flex-1 bg-base-100 aria-invalid:border-error aria-invalid:text-error"
        placeholder={slots?.[0]?.name ?? (lens === "position" ? "-20 0~30" : "70 +10 out")}
        list={slots ? "slot-names" : undefined}
        value={text}
        autoComplete="off"
        onChange={(event) => value.type(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter" && !event.repeat) value.make();
          if (event.key === "Escape") dropDraft();
        }}
      />
      {slots && (
        <datalist id="slot-names">
          {slots.map(({ name }) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      )}
    </>
  );
}

function PaletteToggles({ lens }: { lens: Family }) {
  const { sheet } = useShow();
  const operation = useDraft((choice) => choice.operation);
  const palettes = sheet.show.palettes.filter(({ family }) => family === lens);
  if (palettes.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-1.5" role="group" aria-label={`Palettes, ${lens}`}>
      {palettes.map((palette, index) => (
        <Toggle
          key={palette.id}
          focusRef={index === 0 && lens === "colour" ? placeRef("range value") : undefined}
          pressed={operation !== null && "palette" in operation && operation.palette === palette.id}
          onClick={() => considerOperation({ palette: palette.id })}
        >
          {lens === "colour" && <Swatch palette={palette} />}
          {palette.label}
        </Toggle>
      ))}
    </div>
  );
}

function OperationButton({ operation, label, title }: { operation: Operation; label: string; title: string }) {
  const current = useDraft((choice) => choice.operation);
  return (
    <Toggle title={title} pressed={JSON.stringify(current) === JSON.stringify(operation)} onClick={() => considerOperation(operation)}>
      {label}
    </Toggle>
  );
}
