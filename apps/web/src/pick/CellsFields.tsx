import { FAMILIES } from "@zm/core";
import { Answers, Question } from "../shared/Question.tsx";
import { CuesAnswer, TextAnswer } from "./fields.tsx";
import type { CellsEntry } from "./sentences.ts";

interface CellsFieldsProps {
  kind: "split" | "cells";
  entry: CellsEntry;
  onChange: (change: Partial<CellsEntry>) => void;
}

/** Which stored moves go where: to a new cue right behind, or to other cues and other lights. */
export function CellsFields({ kind, entry, onChange }: CellsFieldsProps) {
  const { cues, lights, family, to, as, what } = entry;
  return (
    <>
      {kind === "cells" && <CuesAnswer cues={cues} onTake={(next) => onChange({ cues: next })} />}
      {kind === "cells" && (
        <Answers
          wide
          name="these moves are"
          value={what}
          answers={[
            ["copy", "copied"],
            ["move", "moved"],
          ]}
          onTake={(next) => onChange({ what: next })}
        />
      )}
      <Question wide name="of lights">
        <TextAnswer label="lights" placeholder="1..6" value={lights} onTake={(text) => onChange({ lights: text })} />
        <select
          aria-label="of which family"
          className="select select-sm min-w-0 flex-1 bg-base-100"
          value={family}
          onChange={(event) => onChange({ family: event.target.value })}
        >
          <option value="">everything</option>
          {FAMILIES.map((each) => (
            <option key={each} value={each}>
              {each}
            </option>
          ))}
        </select>
      </Question>
      <Question wide name={kind === "split" ? "into new cue" : "to cue"}>
        <TextAnswer label="cue number" value={to} autoFocus onTake={(text) => onChange({ to: text })} />
      </Question>
      {kind === "cells" && (
        <Question wide name="done by">
          <TextAnswer label="other lights" placeholder="the same lights" value={as} onTake={(text) => onChange({ as: text })} />
        </Question>
      )}
    </>
  );
}
