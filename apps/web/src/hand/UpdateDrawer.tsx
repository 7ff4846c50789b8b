import { closeDrawer } from "../choice/sheetView.ts";
import { type UpdateOption, type UpdatePlace, offeredPlace, paletteOf, valueWords } from "@zm/core";
import { useEffect, useMemo, useState } from "react";
import { ImpactList, useAllLines } from "../preview/ImpactList.tsx";
import { useSame } from "../shared/useSame.ts";
import { previewOf } from "../preview/preview.ts";
import { sentence } from "../shared/words.ts";
import { Question } from "../shared/Question.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { cueName } from "../shared/words.ts";
import { useShow } from "../show/useShow.ts";
import { Drawer, DrawerButtons } from "../shared/Drawer.tsx";
import { type UpdateEntry, keepRefused, makeFromDrawer, refusedIn } from "./refused.ts";
import { useUpdating } from "../show/hand/useUpdating.ts";

type Sent = UpdatePlace | "nowhere";

/** Updating: what is in hand over the cue on stage, each value put here, at its source, or in its palette, with the impact. */
export function UpdateDrawer() {
  const { id, sheet } = useShow();
  const { of, standing } = useUpdating();
  const [entry, setEntry] = useState<UpdateEntry>(() => refusedIn(id).update ?? { all: "here", own: {} });
  const { all, own, list: asked } = entry;
  const updating = useMemo(() => of(asked), [of, asked]);
  const { cue, list, plan, make: update } = updating;
  const options = useMemo(() => updating.optionsFor({}), [updating]);
  useEffect(() => keepRefused(id, { update: null }), [id]);
  const placeOf = (option: UpdateOption): UpdatePlace | null => {
    const sent = own[option.key.name] ?? all;
    return sent === "nowhere" ? null : offeredPlace(option, sent);
  };
  const edits = useSame(options.some((option) => placeOf(option) !== null) ? plan(options, placeOf) : null);
  const { all: allLines, onAll, mostLines } = useAllLines();
  const result = useMemo(
    () => edits && previewOf(sheet, { edits, list: list.id, mostLines, window: null }),
    [sheet, edits, list.id, mostLines],
  );
  const preview = result && "lines" in result ? result : null;
  const good = preview !== null;
  const make = async (): Promise<void> => {
    if (!good) return;
    await makeFromDrawer(id, "update", { update: entry }, () => update(options, placeOf));
  };
  return (
    <Drawer onClose={closeDrawer} label="Update" onSubmit={make}>
      {standing.length > 0 && (standing.length > 1 || cue === null) && (
        <Question name="which list">
          {standing.map((each) => (
            <Toggle key={each.id} pressed={each.id === list.id} onClick={() => setEntry({ all, own: {}, list: each.id })}>
              {each.list.label || each.id}
            </Toggle>
          ))}
        </Question>
      )}
      {cue === null && <p className="text-quiet">No cue is on stage. Fire one, or record what is in hand as a cue of its own.</p>}
      {cue !== null && options.length === 0 && <p className="text-quiet">Nothing in hand has changed since the last record.</p>}
      {options.length > 0 && (
        <>
          <p>
            {options.length} {options.length === 1 ? "value" : "values"} in hand over cue{" "}
            {cueName(list.cues.find((each) => each.number === cue))}
          </p>
          <div className="flex items-center gap-1" role="group" aria-label="All values">
            <span className="w-9 text-[13px] text-quiet">all</span>
            {PLACES.map(([place, word]) => (
              <Toggle
                key={place}
                pressed={all === place && Object.keys(own).length === 0}
                onClick={() => setEntry({ ...entry, all: place, own: {} })}
              >
                {word}
              </Toggle>
            ))}
          </div>
          <ul tabIndex={0} className="min-h-0 space-y-1 overflow-y-auto border-y border-rule py-2" aria-label="Values">
            {options.map((option) => (
              <OptionRow
                key={option.key.name}
                option={option}
                sent={placeOf(option) ?? "nowhere"}
                onSend={(sent) => setEntry({ ...entry, own: { ...own, [option.key.name]: sent } })}
              />
            ))}
          </ul>
        </>
      )}
      {result && "fault" in result && (
        <p role="alert" className="text-error">
          {result.fault}
        </p>
      )}
      {preview && (
        <section aria-label="Impact">
          <p role="status">{sentence(preview.summary)}</p>
          <ImpactList label="Cues" lines={preview.lines} count={preview.count} all={allLines} onAll={onAll} className="mt-1" />
        </section>
      )}
      <DrawerButtons onClose={closeDrawer} word="Update" ready={good} />
    </Drawer>
  );
}

const PLACES = [
  ["here", "Here"],
  ["atSource", "At its source"],
  ["inPalette", "In the palette"],
] as const;

function OptionRow({ option, sent, onSend }: { option: UpdateOption; sent: Sent; onSend: (sent: Sent) => void }) {
  const { sheet } = useShow();
  const { key, value, before, source, palette, move } = option;
  const given = paletteOf(move);
  return (
    <li className="flex items-center gap-2">
      <span className="min-w-0 flex-1 truncate">
        <span className="figures">{key.channel}</span> {key.attribute.id}{" "}
        <span className="figures text-quiet">
          {Number.isNaN(before) ? "unset" : valueWords(before)} →{" "}
          {given ? (sheet.palettes.byId.get(given)?.label ?? given) : valueWords(value)}
        </span>
      </span>
      <select
        aria-label={`Where ${key.name} goes`}
        className="select select-xs w-[150px] shrink-0 bg-base-100"
        value={sent}
        onChange={(event) => onSend(PLACES.find(([place]) => place === event.target.value)?.[0] ?? "nowhere")}
      >
        <option value="here">here</option>
        <option value="atSource" disabled={source === undefined}>
          {source === undefined ? "at its source: here" : `at its source: ${source}`}
        </option>
        <option value="inPalette" disabled={palette === undefined}>
          {palette === undefined ? "no palette" : `palette ${sheet.palettes.byId.get(palette)?.label ?? palette}`}
        </option>
        <option value="nowhere">leave it</option>
      </select>
    </li>
  );
}
