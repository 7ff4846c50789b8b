import { Toggle } from "../shared/Toggle.tsx";
import { useList, useShow } from "../show/useShow.ts";
import { PairFields } from "./PairFields.tsx";
import { Answers, Question } from "../shared/Question.tsx";
import { CuesAnswer, TextAnswer } from "./fields.tsx";
import type { CopyEntry } from "./sentences.ts";

interface CopyFieldsProps {
  kind: "copy" | "move";
  entry: CopyEntry;
  onChange: (change: Partial<CopyEntry>) => void;
}

/** Which cues go where: to a number, into another list; a copy with what they store or their whole looks, and in other colours. */
export function CopyFields({ kind, entry, onChange }: CopyFieldsProps) {
  const { sheet } = useShow();
  const own = useList();
  const { cues, what, start, list, keep, recolour } = entry;
  return (
    <>
      <CuesAnswer cues={cues} onTake={(next) => onChange({ cues: next })} />
      {kind === "copy" && (
        <Answers
          wide
          name="of them"
          value={what}
          answers={[
            ["moves", "what they store"],
            ["look", "their whole looks"],
          ]}
          onTake={(next) => onChange({ what: next })}
        />
      )}
      <Question wide name="to">
        <TextAnswer
          label="the number of the first"
          placeholder={list === "" ? "number" : "number, or theirs"}
          value={start}
          autoFocus
          onTake={(next) => onChange({ start: next })}
        />
        <select
          aria-label="into which list"
          className="select select-sm min-w-0 flex-1 bg-base-100"
          value={list}
          onChange={(event) => onChange({ list: event.target.value })}
        >
          <option value="">in this list</option>
          {[...sheet.lists.values()]
            .filter((each) => each.id !== own.id)
            .map((each) => (
              <option key={each.id} value={each.id}>
                in {each.list.label || each.id}
              </option>
            ))}
        </select>
      </Question>
      <Question wide name="what comes behind">
        <Toggle pressed={!keep} onClick={() => onChange({ keep: false })}>
          follows
        </Toggle>
        <Toggle pressed={keep} onClick={() => onChange({ keep: true })}>
          keeps its look
        </Toggle>
      </Question>
      {kind === "copy" && (
        <Question wide name="in the copy">
          {recolour.length === 0 ? (
            <button
              type="button"
              className="btn btn-xs border-neutral font-normal"
              onClick={() => onChange({ recolour: [{ palette: "", as: "" }] })}
            >
              other palettes …
            </button>
          ) : (
            <PairFields pairs={recolour} onChange={(next) => onChange({ recolour: next })} />
          )}
        </Question>
      )}
    </>
  );
}
