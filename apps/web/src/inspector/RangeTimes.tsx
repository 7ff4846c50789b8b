import { type Curve, type EditInput, type ListSheet, type Trigger, cueOrder, findRow, firstRowFrom, rangeLength, readTime } from "@zm/core";
import { useEffect, useRef, useState } from "react";
import { type Draft, considerEdits, dropDraft, makeConsidered, useDraft } from "../choice/draft.ts";
import { faultOf } from "../preview/preview.ts";
import { CurveSelect } from "../shared/CurveSelect.tsx";
import { focusOn } from "../shared/focusPlaces.ts";
import { readFactor } from "../shared/readNumber.ts";
import { readSeconds } from "../shared/readSeconds.ts";
import { TIMED, type Timed, timePatch } from "../shared/partTimes.ts";
import { SecondsField } from "../shared/SecondsField.tsx";
import { seconds } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";

interface RangeTimesProps {
  list: ListSheet;
  cues: { from: string; to: string };
}

/** What is entered for the times of a range; one thing at a time is considered. */
interface Entered {
  readonly last: string;
  readonly factor: string;
  readonly time: string;
}

const NOTHING: Entered = { last: "", factor: "", time: "" };

/**
 * The times of the chosen cues all at once: how long they last together, every time or one column of them by a factor, set to a time, their
 * curve, and what fires them. Typed: #10..14: last 90, #10..14: down * 1.2, #10..14: position 4, #10..14: curve ease, #10..14: follows end 2.
 */
export function RangeTimes({ list, cues }: RangeTimesProps) {
  const { sheet } = useShow();
  const [column, setColumn] = useState<Timed | null>(null);
  const [entered, setEntered] = useState<Entered>(NOTHING);
  const range = { list: list.id, ...cues };
  const makeEdits = useMakeEdits();
  const own = useRef<Draft | null>(null);
  const think = (edits: EditInput[] | null): void => {
    own.current = considerEdits("cells", edits);
  };
  useEffect(() => {
    // What was made or dropped elsewhere, and what was thought about these cues and not about others, does not stay.
    const end = useDraft.subscribe((now, before) => {
      if (!own.current || before.draft !== own.current || now.draft === own.current) return;
      own.current = null;
      setEntered(NOTHING);
    });
    return () => {
      end();
      if (own.current && useDraft.getState().draft === own.current) dropDraft();
    };
  }, []);
  const consider = (of: Timed | null, typed: Partial<Entered>): void => {
    setColumn(of);
    setEntered({ ...NOTHING, ...typed });
    think(editsOf(range, of, { ...NOTHING, ...typed }));
  };
  const keys = (event: React.KeyboardEvent): void => {
    const { draft } = useDraft.getState();
    if (event.key === "Escape" && draft === own.current) dropDraft();
    if (event.key !== "Enter" || event.repeat || !draft || draft !== own.current || faultOf(sheet, draft.edits) !== undefined) return;
    focusOn("score");
    void makeConsidered(draft, makeEdits, () => consider(column, entered));
  };
  const lasts = lengthOf(list, cues);
  return (
    <section aria-label="Times of these cues" className="flex flex-col gap-1.5 border-t border-rule pt-2" onKeyDown={keys}>
      <p className="text-quiet">
        {lasts === null ? "A Go lies between them, so how long they last is not known." : `They last ${seconds(lasts)} s in all.`}
      </p>
      {lasts !== null && (
        <label className="flex items-center gap-1.5 text-quiet">
          last
          <input
            aria-label="these cues last, seconds in all"
            className={`${FIELD} w-16`}
            placeholder={seconds(lasts)}
            value={entered.last}
            onChange={(event) => consider(column, { last: event.target.value })}
          />
          s in all
        </label>
      )}
      <ColumnFields column={column} entered={entered} onEnter={consider} />
      <div className="flex items-center gap-1.5">
        <CurveSelect
          label={familyOf(column) ? `${column} curve of these cues` : "curve of these cues"}
          none="curve …"
          value={null}
          onTake={(curve) => think(curve && curveEdits(range, column, curve))}
        />
        <FiresSelect onTake={(trigger) => think(trigger === undefined ? null : [{ op: "setCue", ...range, trigger }])} />
      </div>
    </section>
  );
}

interface ColumnFieldsProps {
  column: Timed | null;
  entered: Entered;
  onEnter: (of: Timed | null, typed: Partial<Entered>) => void;
}

const FIELD = "input input-sm figures bg-base-100 px-2";

/** Which column of the times, and what it is multiplied by or set to. */
function ColumnFields({ column, entered, onEnter }: ColumnFieldsProps) {
  return (
    <div className="flex items-center gap-1.5">
      <select
        aria-label="which times of these cues"
        className="select select-sm select-narrow min-w-0 flex-1 bg-base-100 text-[13px]"
        value={column ?? ""}
        onChange={(event) => onEnter(TIMED.find((each) => each === event.target.value) ?? null, {})}
      >
        <option value="">all times</option>
        {TIMED.map((each) => (
          <option key={each} value={each}>
            {each}
          </option>
        ))}
      </select>
      <label className="flex items-center gap-1 text-quiet">
        ×
        <input
          aria-label={column === null ? "all times of these cues by a factor" : `${column} of these cues by a factor`}
          title="A factor, or a share as in +20 %"
          className={`${FIELD} w-[4.4rem] px-1.5`}
          placeholder="1.2"
          value={entered.factor}
          onChange={(event) => onEnter(column, { factor: event.target.value })}
        />
      </label>
      <label className="flex items-center gap-1 text-quiet">
        =
        <input
          aria-label={column === null ? "time of these cues" : `${column} of these cues, seconds`}
          title={column === null ? "Say first which times are set" : "Seconds, with a delay as in 2+1"}
          className={`${FIELD} w-14`}
          placeholder="2+1"
          disabled={column === null}
          value={entered.time}
          onChange={(event) => onEnter(column, { time: event.target.value })}
        />
      </label>
    </div>
  );
}

type RangeOf = { list: string; from: string; to: string };

/** The edits that what is entered comes to; null for what cannot be read yet. */
function editsOf(range: RangeOf, column: Timed | null, { last, factor, time }: Entered): EditInput[] | null {
  if (last !== "") {
    const read = readSeconds(last);
    return typeof read === "number" ? [{ op: "stretch", ...range, seconds: read }] : null;
  }
  if (factor !== "") {
    const scale = readFactor(factor);
    return scale === undefined ? null : [{ op: "setTimes", ...range, scale, ...(column === null ? {} : { of: [column] }) }];
  }
  const read = time === "" || column === null ? undefined : readTime(time);
  return read && column !== null ? [{ op: "setTimes", ...range, set: timePatch(column, "time", read.seconds, read.delay) }] : null;
}

/** The family that has times of its own in a column; undefined for levels, and where no column is chosen. */
function familyOf(column: Timed | null): Exclude<Timed, "up" | "down"> | undefined {
  return column === null || column === "up" || column === "down" ? undefined : column;
}

/** Levels run by the curve of the cue; another family by its own. */
function curveEdits(range: RangeOf, column: Timed | null, curve: Curve): EditInput[] {
  const family = familyOf(column);
  return [{ op: "setTimes", ...range, ...(family ? { set: { [family]: { curve } } } : { curve }) }];
}

/** What fires the chosen cues, each by the one before it; undefined as long as nothing is chosen. */
function FiresSelect({ onTake }: { onTake: (trigger: Trigger | null | undefined) => void }) {
  const [kind, setKind] = useState("");
  const [after, setAfter] = useState(0);
  const take = (next: string, seconds: number): void => {
    setKind(next);
    setAfter(seconds);
    const follow = next === "go" || next === "complete";
    onTake(next === "" ? undefined : follow ? { type: "follow", from: next, after: seconds } : null);
  };
  return (
    <>
      <select
        aria-label="what fires these cues"
        className="select select-sm select-narrow min-w-0 flex-1 bg-base-100 text-[13px]"
        value={kind}
        onChange={(event) => take(event.target.value, after)}
      >
        <option value="">fires …</option>
        <option value="press">on Go</option>
        <option value="go">after Go</option>
        <option value="complete">after end</option>
      </select>
      {(kind === "go" || kind === "complete") && (
        <span className="w-14 shrink-0">
          <SecondsField label="follow wait of these cues, seconds" value={after} onTake={(value) => take(kind, value ?? 0)} />
        </span>
      )}
    </>
  );
}

/** How long a range lasts in all, seconds; null where a Go lies inside. */
function lengthOf(list: ListSheet, cues: { from: string; to: string }): number | null {
  const first = findRow(list, cues.from);
  if (first < 0) return null;
  const length = rangeLength(list, first, firstRowFrom(list, cueOrder(cues.to) + 1) - 1);
  return "seconds" in length ? length.seconds : null;
}
