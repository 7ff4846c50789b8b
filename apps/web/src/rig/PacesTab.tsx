import { CURVES, FAMILIES, type Family, type Pace, editParts, freeIdAmong } from "@zm/core";
import { useState } from "react";
import type { UseFormRegister } from "react-hook-form";
import { z } from "zod";
import { createDrafts, useEntered } from "./entryDrafts.ts";
import { useEntryForm } from "./useEntryForm.ts";
import { readSpread } from "../shared/readSpread.ts";
import { curveWords } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { EntryForm, NamedField } from "./EntryForm.tsx";
import { WordHint } from "../shared/WordHint.tsx";
import { EntryList } from "./EntryList.tsx";

/** A pace as its form says it: times as they are typed. */
const texts = z.strictObject({ fade: z.string(), delay: z.string(), curve: z.string() });
const fields = z.strictObject({
  label: editParts.label,
  texts: z.strictObject({ intensity: texts, position: texts, colour: texts, beam: texts }),
});
type PaceFields = z.infer<typeof fields>;
type Texts = PaceFields["texts"];
const usePaceDrafts = createDrafts<PaceFields>();

/** The paces: timing without values, family by family, fans allowed. Laid on lights in hand or in cues; what was laid does not follow a change here. */
export function PacesTab() {
  const { sheet } = useShow();
  const { show } = sheet;
  const makeEdits = useMakeEdits();
  const [chosen, setChosen] = useState<string | null>(null);
  const pace = show.paces.find((each) => each.id === chosen) ?? show.paces[0];
  const add = async (): Promise<void> => {
    const id = freeIdAmong("pace", show.paces);
    if (await makeEdits([{ op: "setPace", pace: { id, label: "New pace", position: { fade: 3 } } }])) setChosen(id);
  };
  const entered = useEntered(usePaceDrafts);
  return (
    <EntryList
      label="Paces"
      entries={show.paces.map((each) => ({
        id: each.id,
        name: each.label || each.id,
        about: FAMILIES.filter((family) => each[family]).join(" "),
      }))}
      chosen={pace?.id ?? null}
      onChoose={setChosen}
      onAdd={add}
      entered={entered}
      addWord="New pace"
    >
      <WordHint word="pace" className="mb-3 max-w-3xl" />
      {pace ? (
        <PaceForm key={pace.id} pace={pace} />
      ) : (
        <p className="text-quiet">No pace yet. On the Stage, own times in hand are kept as one; or make one here.</p>
      )}
    </EntryList>
  );
}

function PaceForm({ pace }: { pace: Pace }) {
  const { form, values, draft } = useEntryForm(usePaceDrafts, pace.id, { label: pace.label, texts: textsOf(pace) }, fields);
  const { label, texts } = values;
  const after = paceWith(pace.id, label.trim(), texts);
  return (
    <EntryForm
      label={`Pace ${pace.label}`}
      draft={draft}
      edits={
        JSON.stringify(after) === JSON.stringify(paceWith(pace.id, pace.label, textsOf(pace))) ? null : [{ op: "setPace", pace: after }]
      }
      removals={[{ word: "Remove the pace", edit: { op: "removePace", pace: pace.id } }]}
    >
      <div className="flex items-end gap-4">
        <NamedField words="label" {...form.register("label")} fault={form.formState.errors.label?.message} />
        <span className="pb-1.5 text-quiet">
          typed as <span className="figures text-base-content">{pace.id}</span>
        </span>
      </div>
      <div className="grid max-w-xl grid-cols-[90px_1fr_1fr_1fr] items-center gap-x-3 gap-y-1.5">
        <span />
        <span className="text-[13px] text-quiet">fade, seconds</span>
        <span className="text-[13px] text-quiet">delay, seconds</span>
        <span className="text-[13px] text-quiet">curve</span>
        {FAMILIES.map((family) => (
          <FamilyRow key={family} family={family} register={form.register} />
        ))}
      </div>
      <p className="text-[13px] text-quiet">
        A number for all lights, or a fan over them: 0~3.5 from the first to the last, 4~1~4 from the ends to the middle.
      </p>
    </EntryForm>
  );
}

function FamilyRow({ family, register }: { family: Family; register: UseFormRegister<PaceFields> }) {
  return (
    <>
      <span className="text-quiet">{family}</span>
      {(["fade", "delay"] as const).map((name) => (
        <input
          key={name}
          aria-label={`${family} ${name}`}
          className="input input-sm figures w-full bg-base-200 px-2"
          autoComplete="off"
          {...register(`texts.${family}.${name}`)}
        />
      ))}
      <select aria-label={`${family} curve`} className="select select-sm w-full bg-base-200" {...register(`texts.${family}.curve`)}>
        <option value="">as it is</option>
        {CURVES.map((curve) => (
          <option key={curve} value={curve}>
            {curveWords(curve)}
          </option>
        ))}
      </select>
    </>
  );
}

function textsOf(pace: Pace): Texts {
  const of = (family: Family) => ({
    fade: String(pace[family]?.fade ?? ""),
    delay: String(pace[family]?.delay ?? ""),
    curve: pace[family]?.curve ?? "",
  });
  return { intensity: of("intensity"), position: of("position"), colour: of("colour"), beam: of("beam") };
}

/** What the fields say; a text that is no number goes on as it is, and the core says what is wrong with it. */
function paceWith(id: string, label: string, texts: Texts): Pace {
  const spread = (text: string): number | string | undefined => {
    if (text.trim() === "") return undefined;
    return readSpread(text) ?? text.trim();
  };
  const pace: Pace = { id, label };
  for (const family of FAMILIES) {
    const [fade, delay, curve] = [
      spread(texts[family].fade),
      spread(texts[family].delay),
      CURVES.find((each) => each === texts[family].curve),
    ];
    if (fade === undefined && delay === undefined && curve === undefined) continue;
    pace[family] = {
      ...(fade === undefined ? {} : { fade }),
      ...(delay === undefined ? {} : { delay }),
      ...(curve === undefined ? {} : { curve }),
    };
  }
  return pace;
}
