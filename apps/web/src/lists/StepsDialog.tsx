import { type CueList, type EditInput, type ListSheet, ORDER_WORDS, newTempo, stepsWords, writeValue } from "@zm/core";
import { useId, useState } from "react";
import { Modal } from "../shared/Modal.tsx";
import { ModalHead } from "../shared/ModalHead.tsx";
import { NumberField } from "../shared/NumberField.tsx";
import { BEATS } from "../shared/bounds.ts";
import { readNumberIn } from "../shared/readNumber.ts";
import { SecondsField } from "../shared/SecondsField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useListSettings } from "../show/useListSettings.ts";
import { useShow } from "../show/useShow.ts";

type Steps = NonNullable<CueList["steps"]>;

const ORDERS = ["forward", "back", "bounce", "shuffle"] as const;
/** A list that is told to run by itself begins with this. */
const FIRST_STEPS: Steps = { interval: 1, order: "forward", rounds: 0 };
const ROUNDS = { min: 0, max: 100_000, whole: true };

/** How a list runs by itself: how often, in what order, how many rounds; or that it waits for Go. What is chosen holds at once. Typed: steps tower every 0.6. */
export function StepsDialog({ list: id, onClose }: { list: string; onClose: () => void }) {
  const { sheet } = useShow();
  const list = sheet.lists.get(id);
  if (!list) return null;
  const { label, steps } = list.list;
  const name = label || id;
  return (
    <Modal label={`How ${name} runs`} onClose={onClose} className="w-[520px]">
      <div className="flex flex-col gap-3 p-4">
        <ModalHead name={`How ${name} runs`} />
        <p role="status" className="rounded border border-secondary px-3 py-1.5">
          {list.cues.length === 0 ? "It has no cue yet; " : ""}
          {stepsWords(steps, sheet.show.tempos)}
        </p>
        <StepsFields list={list} />
      </div>
    </Modal>
  );
}

function StepsFields({ list }: { list: ListSheet }) {
  const { sheet } = useShow();
  const change = useListSettings(list.id);
  const { steps } = list.list;
  const set = (settings: (standing: Steps) => Steps, first: readonly EditInput[] = []): void =>
    change((standing) => ({ ...standing, steps: settings(standing.steps ?? FIRST_STEPS) }), first);
  const wait = (): void => change(({ steps: _steps, ...others }) => others);
  return (
    <>
      <div className={ROW} role="group" aria-label="what makes it go on">
        <span className={WORDS}>it goes on</span>
        <Toggle pressed={!steps} onClick={() => steps && wait()}>
          On Go
        </Toggle>
        <Toggle pressed={steps !== undefined} onClick={() => !steps && set((standing) => standing)}>
          By itself
        </Toggle>
      </div>
      {steps && (
        <>
          <BeatField steps={steps} set={set} />
          <NewTempo
            onMake={(label, perMinute) => {
              const tempo = newTempo(sheet.show, label, perMinute);
              set(({ interval: _interval, ...others }) => ({ ...others, tempo: tempo.id }), [{ op: "setTempo", tempo }]);
            }}
          />
          <div className={ROW} role="group" aria-label="order">
            <span className={WORDS}>order</span>
            <span className="flex flex-wrap gap-1">
              {ORDERS.map((order) => (
                <Toggle
                  key={order}
                  pressed={(steps.order ?? "forward") === order}
                  onClick={() => set((standing) => ({ ...standing, order }))}
                >
                  {ORDER_WORDS[order]}
                </Toggle>
              ))}
            </span>
          </div>
          <div className={ROW}>
            <span className={WORDS}>rounds</span>
            <span className="w-24">
              <NumberField
                label="rounds; empty: for ever"
                value={steps.rounds === undefined || steps.rounds === 0 ? undefined : steps.rounds}
                hint="for ever"
                {...ROUNDS}
                onTake={(rounds) => set((standing) => ({ ...standing, rounds: rounds ?? 0 }))}
              />
            </span>
            <span className="text-quiet">then it stays in its last step</span>
          </div>
        </>
      )}
    </>
  );
}

const ROW = "flex items-center gap-2";
const WORDS = "w-24 shrink-0 text-quiet";

/** At what a list steps: the beat of a tempo, or a time of its own. */
function BeatField({ steps, set }: { steps: Steps; set: (settings: (standing: Steps) => Steps) => void }) {
  const { sheet } = useShow();
  const tempoId = useId();
  const tempos = sheet.show.tempos ?? [];
  return (
    <div className={ROW}>
      <label htmlFor={tempoId} className={WORDS}>
        at
      </label>
      <select
        id={tempoId}
        className="select select-sm min-w-0 flex-1 bg-base-100"
        value={steps.tempo ?? ""}
        onChange={(event) => {
          const tempo = event.target.value;
          set(({ tempo: _tempo, interval: _interval, ...others }) => ({
            ...others,
            ...(tempo === "" ? { interval: 1 } : { tempo }),
          }));
        }}
      >
        <option value="">a time of its own</option>
        {tempos.map(({ id, label, perMinute }) => (
          <option key={id} value={id}>
            the beat of {label || id}, {writeValue(perMinute)} a minute
          </option>
        ))}
      </select>
      {steps.tempo === undefined && (
        <span className="flex w-40 items-center gap-1.5">
          <SecondsField
            label="seconds between two steps"
            value={steps.interval ?? 1}
            onTake={(interval) => set((standing) => ({ ...standing, interval: Math.max(0.02, interval ?? 1) }))}
          />
          <span className="shrink-0 text-quiet">s each</span>
        </span>
      )}
    </div>
  );
}

/** A tempo is made, and the list hung on it. */
function NewTempo({ onMake }: { onMake: (label: string, perMinute: number) => void }) {
  const [label, setLabel] = useState("");
  const [beats, setBeats] = useState("");
  const perMinute = readNumberIn(beats, BEATS);
  const ready = label.trim() !== "" && perMinute !== undefined;
  const make = (): void => {
    if (!ready) return;
    onMake(label.trim(), perMinute);
    setLabel("");
    setBeats("");
  };
  return (
    <details>
      <summary className="cursor-default pl-26 text-[13px] text-quiet hover:text-base-content">a new tempo</summary>
      <form
        className="mt-1 flex items-center gap-2 pl-26"
        onSubmit={(event) => {
          event.preventDefault();
          make();
        }}
      >
        <input
          aria-label="name of the new tempo"
          placeholder="name"
          className="input input-sm min-w-0 flex-1 bg-base-100"
          value={label}
          onChange={(event) => setLabel(event.target.value)}
        />
        <input
          aria-label="beats a minute of the new tempo"
          aria-invalid={beats !== "" && perMinute === undefined}
          placeholder="a minute"
          className="input input-sm figures w-24 bg-base-100 aria-invalid:border-error aria-invalid:text-error"
          value={beats}
          onChange={(event) => setBeats(event.target.value)}
        />
        <button type="submit" className="btn btn-sm border-neutral" disabled={!ready}>
          Hang it on this
        </button>
      </form>
    </details>
  );
}
