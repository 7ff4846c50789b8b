import { actionWords, type Action, type Cue, type ListSheet, runningActions } from "@zm/core";
import { Play, Trash2 } from "lucide-react";
import { useState } from "react";
import { ActionForm } from "../actions/ActionForm.tsx";
import { useLive } from "../show/live.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { SecondsField } from "../shared/SecondsField.tsx";

/** What a cue does besides its moves: lists that it starts and lets go, looks that it raises, each some seconds after its Go. */
export function ActionFields({ list, cue }: { list: ListSheet; cue: Cue }) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const [open, setOpen] = useState<number | "new" | null>(null);
  const actions = cue.actions ?? [];
  const set = (next: readonly Action[]): void =>
    void makeEdits([{ op: "setCue", list: list.id, from: cue.number, to: cue.number, actions: next.length > 0 ? [...next] : null }]);
  const replace = (place: number, action: Action): void =>
    set(actions.map((each, at) => (at === place ? withAfter(action, each.after ?? null) : each)));
  return (
    <fieldset aria-label="What it does besides" className="flex flex-col gap-1.5 border-t border-rule pt-2">
      {actions.map((action, index) =>
        open === index ? (
          <ActionForm
            key={`${index} open`}
            own={list.id}
            action={action}
            word="Change it"
            onTake={(next) => replace(index, next)}
            onClose={() => setOpen(null)}
          />
        ) : (
          <div key={`${index} ${JSON.stringify(action)}`} className="flex items-center gap-2">
            <Play size={13} className="shrink-0 text-secondary" />
            <button
              type="button"
              className="min-h-7 min-w-0 flex-1 truncate text-left hover:underline"
              title={`${actionWords(action, sheet)}; press to change it`}
              onClick={() => setOpen(index)}
            >
              {actionWords(action, sheet)}
            </button>
            <span className="w-14 shrink-0">
              <SecondsField
                label={`${actionWords(action, sheet)}, seconds after its Go`}
                value={action.after}
                hint="at Go"
                onTake={(after) => set(actions.map((each, place) => (place === index ? withAfter(each, after) : each)))}
              />
            </span>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square h-7 w-7"
              aria-label={`Take away: ${actionWords(action, sheet)}`}
              onClick={() => set(actions.filter((_, place) => place !== index))}
            >
              <Trash2 size={13} />
            </button>
          </div>
        ),
      )}
      {open === "new" ? (
        <ActionForm own={list.id} word="Add it" onTake={(action) => set([...actions, action])} onClose={() => setOpen(null)} />
      ) : (
        <span className="flex gap-1">
          <button type="button" className="btn btn-xs h-7 self-start border-neutral font-normal" onClick={() => setOpen("new")}>
            Also does …
          </button>
          <RunningNow own={list} onAdd={(more) => set([...actions, ...more])} />
        </span>
      )}
    </fieldset>
  );
}

function withAfter({ after: _before, ...action }: Action, after: number | null): Action {
  return after === null || after === 0 ? action : { ...action, after };
}

/** Adds all that runs just now beside the list. */
function RunningNow({ own, onAdd }: { own: ListSheet; onAdd: (actions: readonly Action[]) => void }) {
  const { sheet } = useShow();
  const run = useLive((live) => live.run);
  const nowRunning = run ? runningActions(run.mix, own.id) : [];
  if (nowRunning.length === 0) return null;
  return (
    <button
      type="button"
      className="btn btn-xs h-7 min-w-0 flex-1 truncate border-neutral font-normal"
      title={nowRunning.map((each) => actionWords(each, sheet)).join(", ")}
      onClick={() => onAdd(nowRunning)}
    >
      What runs now: {nowRunning.length}
    </button>
  );
}
