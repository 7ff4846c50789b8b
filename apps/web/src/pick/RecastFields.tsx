import type { LackedAttribute } from "@zm/core";
import { useMemo } from "react";
import { useList, useShow } from "../show/useShow.ts";
import { Answers, Question } from "../shared/Question.tsx";
import { CuesAnswer, TextAnswer } from "./fields.tsx";
import { type RecastEntry, lackedBy } from "./recast.ts";

interface RecastFieldsProps {
  entry: RecastEntry;
  onChange: (change: Partial<RecastEntry>) => void;
}

/** What, by whom, what becomes of those who did it, what is behind the range, what the others lack. */
export function RecastFields({ entry, onChange }: RecastFieldsProps) {
  const { sheet } = useShow();
  const list = useList();
  const { cues, everywhere, lights, as, how, where, after, missing } = entry;
  const lacked = useMemo(() => lackedBy(sheet, list, { cues, lights, as, where }), [sheet, list, cues, lights, as, where]);
  return (
    <>
      <CuesAnswer
        cues={cues}
        everywhere={everywhere}
        onEverywhere={(next) => onChange({ everywhere: next })}
        onTake={(next) => onChange({ cues: next })}
      />
      <Question wide name="what these do">
        <TextAnswer label="lights whose work it is" placeholder="5, 61" value={lights} onTake={(text) => onChange({ lights: text })} />
      </Question>
      <Question wide name="is done by">
        <TextAnswer label="lights that do it instead" placeholder="7, 62" value={as} autoFocus onTake={(text) => onChange({ as: text })} />
      </Question>
      <Answers
        wide
        name="and they themselves"
        value={how}
        answers={[
          ["replace", where === "look" ? "stay dark" : "do it no more"],
          ["copy", "go on doing it too"],
          ["swap", "do the others' work"],
        ]}
        onTake={(next) => onChange({ how: next })}
      />
      <Answers
        wide
        name="given on is"
        value={where}
        answers={[
          ["look", "what they show", "Also what had tracked in"],
          ["moves", "what is stored", "Moves alone, with their times and marks"],
        ]}
        onTake={(next) => onChange({ where: next })}
      />
      <Answers
        wide
        name={`behind ${cues.to}`}
        value={after}
        answers={[
          ["restore", "all is as it was"],
          ["track", "it stays like this"],
        ]}
        onTake={(next) => onChange({ after: next })}
      />
      {lacked.length > 0 && (
        <section aria-label="What the others lack" className="flex flex-col gap-1.5 border-t border-rule pt-2">
          <h3 className="font-bold">The others cannot do all of it</h3>
          {how !== "swap" && lacked.map((each) => <LackedField key={each.attribute} lacked={each} entry={entry} onChange={onChange} />)}
          <Answers
            wide
            name="what they cannot do"
            value={missing}
            answers={[
              ["leave", "stays with who did it"],
              ["drop", "is forgotten"],
            ]}
            onTake={(next) => onChange({ missing: missing === next ? "" : next })}
          />
        </section>
      )}
    </>
  );
}

/** What stands for an attribute that the others lack. */
function LackedField({ lacked: { attribute, cues, has }, entry: { map }, onChange }: RecastFieldsProps & { lacked: LackedAttribute }) {
  const now = map[attribute];
  const value = now && now.to !== "" ? `${now.to}${now.turned ? " turned" : ""}` : "";
  return (
    <label className="flex items-center gap-2">
      <span className="figures w-28 shrink-0 truncate">{attribute}</span>
      <select
        aria-label={`what stands for ${attribute}`}
        className="select select-sm min-w-0 flex-1 bg-base-100"
        value={value}
        onChange={(event) => {
          const [to = "", turned] = event.target.value.split(" ");
          onChange({ map: { ...map, [attribute]: { to, turned: turned !== undefined } } });
        }}
      >
        <option value="">is not taken along</option>
        {has.flatMap((name) => [
          <option key={name} value={name}>
            as {name}
          </option>,
          <option key={`${name} turned`} value={`${name} turned`}>
            turned round on {name}
          </option>,
        ])}
      </select>
      <span className="w-16 shrink-0 text-right text-[13px] text-quiet">{cues === 1 ? "1 cue" : `${cues} cues`}</span>
    </label>
  );
}
