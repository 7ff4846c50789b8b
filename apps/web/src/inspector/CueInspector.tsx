import { SceneField } from "./SceneField.tsx";
import { CueTextField } from "./CueTextField.tsx";
import {
  type Cue,
  type Curve,
  type ListSheet,
  type Part,
  type TimesPatch,
  chainAround,
  count,
  cueDuration,
  findRow,
  freeNumberAfter,
  movesIn,
} from "@zm/core";
import { Plus, Trash2 } from "lucide-react";
import { Fragment, Suspense } from "react";
import { chooseCue, chooseLights } from "../choice/selection.ts";
import { CurveRow } from "../shared/CurveRow.tsx";
import { TIMED, timeIn, timePatch } from "../shared/partTimes.ts";
import { SecondsField } from "../shared/SecondsField.tsx";
import { cueName, lightWords, seconds } from "../shared/words.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { putLine } from "../choice/lineText.ts";
import { ReadySelect } from "../shared/ReadySelect.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { KeepButton } from "../people/KeepButton.tsx";
import { CueNotes } from "../notes/CueNotes.tsx";
import { ActionFields } from "./ActionFields.tsx";
import { CueWavesField } from "./CueWavesField.tsx";
import { FiresField } from "./FiresField.tsx";
import { CarriesField } from "./CarriesField.tsx";
import { CueMarkLines } from "../planner/CueMarkLines.tsx";
import { RehearsedIn } from "../rehearsal/RehearsedIn.tsx";
import { StoppedValues } from "./StoppedValues.tsx";
import { ChainPicture, TimesPicture } from "./pictures.ts";

/** One cue: its label, what fires it, the times of each part, and the chain it runs in. */
export function CueInspector({ list, row }: { list: ListSheet; row: number }) {
  const makeEdits = useMakeEdits();
  const cue = list.cues[row];
  if (!cue) return null;
  const range = { list: list.id, from: cue.number, to: cue.number };
  const chain = chainAround(list, row);
  const free = freeNumberAfter(list, row);
  const insert = async (): Promise<void> => {
    if (free === undefined) return;
    chooseCue(free);
    if (!(await makeEdits([{ op: "insertCue", list: list.id, cue: free }]))) chooseCue(cue.number);
  };
  return (
    <section aria-label={`Cue ${cue.number}`} className="flex flex-col gap-3 border-t border-rule pt-3 first:border-t-0 first:pt-0">
      <div>
        <h2 className="text-[17px] font-bold">Cue {cueName(cue)}</h2>
        <p className="text-quiet">
          {cue.scene ? `scene ${cue.scene}, ` : ""}complete after <span className="figures">{seconds(cueDuration(list, row))}</span> s
        </p>
      </div>
      <KeepButton list={list.id} cue={cue.number} />
      <CueTextField
        label="label"
        place="cue label"
        id="cue-label"
        value={cue.label ?? ""}
        onTake={(label) => void makeEdits([{ op: "setCue", ...range, label: label === "" ? null : label }])}
      />
      <SceneField list={list} row={row} cue={cue} />
      <FiresField list={list} cue={cue} />
      <CarriesField list={list} cues={{ from: cue.number, to: cue.number }} />
      <CueWavesField list={list} cue={cue} />
      <CueTextField
        label="note"
        id="cue-note"
        value={cue.note ?? ""}
        placeholder="for whoever runs the show"
        lines={2}
        onTake={(note) => void makeEdits([{ op: "setCue", ...range, note: note === "" ? null : note }])}
      />
      <CueNotes list={list} cue={cue.number} />
      <ActionFields list={list} cue={cue} />
      <StoppedValues list={list} row={row} />
      <CueMarkLines list={list} row={row} />
      <RehearsedIn list={list} row={row} />
      {chain.length > 1 && (
        <Suspense fallback={null}>
          <ChainPicture list={list} chain={chain} row={row} />
        </Suspense>
      )}
      {cue.parts.map((part) => (
        <PartFields key={part.number} list={list} cue={cue} part={part} />
      ))}
      <Suspense fallback={null}>
        <TimesPicture list={list} row={row} />
      </Suspense>
      <div className="flex flex-wrap gap-2">
        <ActionButton className="btn btn-xs border-neutral" disabled={free === undefined} onAct={insert}>
          <Plus size={13} /> {free === undefined ? "No number free behind it" : `Insert cue ${free}`}
        </ActionButton>
        <button
          type="button"
          className="btn btn-xs border-neutral"
          onClick={() => putLine(`delete #${cue.number}`)}
          title="Later cues keep their looks: what they need moves on to the next cue. Its impact is shown before it is made"
        >
          <Trash2 size={13} /> Delete …
        </button>
      </div>
    </section>
  );
}

function PartFields({ list, cue, part }: { list: ListSheet; cue: Cue; part: Part }) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const { times } = part;
  const change = (fields: { set: TimesPatch; curve?: Curve | null } | { curve: Curve | null }): void =>
    void makeEdits([{ op: "setTimes", list: list.id, from: cue.number, to: cue.number, part: part.number, ...fields }]);
  const set = (patch: TimesPatch): void => change({ set: patch });
  return (
    <fieldset aria-label={`Times of part ${part.number}`} className="border-t border-rule pt-2">
      {cue.parts.length > 1 && (
        <div className="mb-1.5 flex items-center gap-2">
          <span className="shrink-0 font-bold">Part {part.number}</span>
          <CueTextField
            label={`name of part ${part.number}`}
            hidden
            id={`part-label-${part.number}`}
            value={part.label ?? ""}
            placeholder="name"
            onTake={(label) =>
              void makeEdits([{ op: "setPart", list: list.id, cue: cue.number, part: part.number, label: label === "" ? null : label }])
            }
          />
          {part.number !== 1 && (
            <button
              type="button"
              className="btn btn-xs border-neutral shrink-0 font-normal"
              title={`All its moves go to part 1, which has other times: #${cue.number}: part ${part.number} to part 1`}
              onClick={() => putLine(`#${cue.number}: part ${part.number} to part 1`)}
            >
              Merge …
            </button>
          )}
        </div>
      )}
      {cue.parts.length > 1 && <PartShare list={list} part={part} />}
      <div className="grid grid-cols-[5.4rem_1fr_1fr] items-center gap-x-2 gap-y-1">
        <ReadySelect
          label={`ready times, part ${part.number}`}
          paces={sheet.show.paces}
          list={list}
          row={findRow(list, cue.number)}
          onTake={(ready) => change({ ...ready, set: ready.set })}
        />
        <span className="text-[13px] text-quiet">time</span>
        <span className="text-[13px] text-quiet">delay</span>
        {TIMED.map((of) => (
          <Fragment key={of}>
            <span className="text-quiet">{of}</span>
            {(["time", "delay"] as const).map((what) => (
              <SecondsField
                key={what}
                label={`${of} ${what}, part ${part.number}`}
                value={timeIn(times, of, what)}
                hint={of === "up" ? "0" : seconds(timeIn(times, "up", what) ?? 0)}
                delayed={what === "time"}
                onTake={(value, delay) => set(timePatch(of, what, value, delay))}
              />
            ))}
          </Fragment>
        ))}
      </div>
      <CurveRow
        of={`part ${part.number}`}
        curve={part.curve}
        times={times}
        onCurve={(curve) => change({ curve })}
        onFamily={(family, curve) => set({ [family]: { curve } })}
      />
    </fieldset>
  );
}

/** Which lights a part moves: pressing chooses them. */
function PartShare({ list, part }: { list: ListSheet; part: Part }) {
  const channels = Object.keys(part.moves)
    .map(Number)
    .sort((a, b) => a - b);
  if (channels.length === 0) return <p className="mb-1 text-quiet">holds no move yet</p>;
  return (
    <button
      type="button"
      className="mb-1 block w-full truncate text-left text-[13px] text-quiet hover:text-base-content"
      title={`Chooses its lights in list ${list.id}`}
      onClick={() => chooseLights(channels)}
    >
      {count(movesIn(part.moves), "move")} of {lightWords(channels)}
    </button>
  );
}
