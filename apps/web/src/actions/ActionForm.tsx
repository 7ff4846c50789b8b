import { type Action, actionWords } from "@zm/core";
import { useState } from "react";
import { NumberField } from "../shared/NumberField.tsx";
import { SelectField } from "../shared/SelectField.tsx";
import { SecondsField } from "../shared/SecondsField.tsx";
import { useShow } from "../show/useShow.ts";
import { type ActionEntry, DEEDS, type Deed, TIMED, VALUES, actionOfEntry, entryOfAction } from "./actionEntry.ts";

interface ActionFormProps {
  /** The list whose cue it belongs to, which may let itself go; undefined for a button. */
  own?: string;
  /** What is changed; left out, something new is put together. */
  action?: Action;
  word: string;
  onTake: (action: Action) => void;
  onClose: () => void;
}

/** Something that is done to a list, a held look or a tempo, put together question by question; said in words before it is taken. */
export function ActionForm({ own, action, word, onTake, onClose }: ActionFormProps) {
  const { sheet } = useShow();
  const [entry, setEntry] = useState<ActionEntry>(
    action ? entryOfAction(action) : { deed: "start", of: "", cue: "", value: undefined, time: undefined },
  );
  const change = (fields: Partial<ActionEntry>): void => setEntry({ ...entry, ...fields });
  const { deed, of, cue } = entry;
  const lists = [...sheet.lists.values()].filter(({ id }) => own === undefined || id !== own || deed !== "start");
  const things =
    deed === "look"
      ? (sheet.show.heldLooks ?? [])
      : deed === "tempo"
        ? (sheet.show.tempos ?? [])
        : lists.map(({ id, list }) => ({ id, label: list.label }));
  const result = actionOfEntry(entry, sheet, own !== undefined);
  return (
    <div
      role="group"
      aria-label={word}
      className="flex flex-col gap-1.5 rounded border border-rule p-2"
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        event.stopPropagation();
        onClose();
      }}
    >
      <SelectField
        label="what is done"
        value={deed}
        options={DEEDS}
        onTake={(next) => {
          change({ deed: next, value: VALUES[next]?.first, ...(kindOf(next) === kindOf(deed) ? {} : { of: "", cue: "" }) });
        }}
      />
      <SelectField
        label="to what"
        value={of}
        options={[
          ["", deed === "release" && own !== undefined ? "this list, when it is complete" : "choose one"],
          ...things.map(({ id, label }) => [id, label || id] as const),
        ]}
        onTake={(id) => change({ of: id, cue: "" })}
      />
      {(deed === "start" || deed === "goto") && of !== "" && (
        <SelectField
          label="which cue"
          value={cue}
          options={[
            ["", deed === "start" ? "its first" : "choose one"],
            ...(sheet.lists.get(of)?.cues ?? []).map((each) => [each.number, `${each.number} ${each.label ?? ""}`] as const),
          ]}
          onTake={(number) => change({ cue: number })}
        />
      )}
      <NumbersOf entry={entry} onChange={change} />
      <p className={typeof result === "string" ? "text-quiet" : ""}>
        {typeof result === "string" ? `${result}.` : actionWords(result, sheet)}
      </p>
      <span className="flex gap-1.5">
        <button
          type="button"
          className="btn btn-sm border-neutral"
          disabled={typeof result === "string"}
          onClick={() => {
            if (typeof result === "string") return;
            onTake(result);
            onClose();
          }}
        >
          {word}
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={onClose}>
          Not now
        </button>
      </span>
    </div>
  );
}

/** How much, and in which time, where the kind of action has it. */
function NumbersOf({ entry: { deed, value, time }, onChange }: { entry: ActionEntry; onChange: (fields: Partial<ActionEntry>) => void }) {
  const bounds = VALUES[deed];
  if (!bounds && !TIMED.includes(deed)) return null;
  return (
    <span className="flex items-center gap-1.5 text-quiet">
      {bounds && (
        <>
          <span className="w-20">
            <NumberField
              label={bounds.words}
              value={value ?? bounds.first}
              min={bounds.min}
              max={bounds.max}
              onTake={(next) => onChange({ value: next ?? bounds.first })}
            />
          </span>
          {bounds.words}
        </>
      )}
      {TIMED.includes(deed) && (
        <>
          in
          <span className="w-16">
            <SecondsField label="in seconds" value={time} hint="its own" onTake={(next) => onChange({ time: next ?? undefined })} />
          </span>
        </>
      )}
    </span>
  );
}

/** What a kind of action is done to. */
function kindOf(deed: Deed): "list" | "look" | "tempo" {
  return deed === "look" || deed === "tempo" ? deed : "list";
}
