import { actionWords, type Action, type Cue, type ListSheet, type ShowSheet, runningActions } from "@zm/core";
import { Play, Trash2 } from "lucide-react";
import { useLive } from "../show/live.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { putLine } from "../choice/lineText.ts";
import { DropMenu, MenuEntry, MenuHeading, MenuRule } from "../shared/DropMenu.tsx";
import { SecondsField } from "../shared/SecondsField.tsx";

/** What a cue does besides its moves: lists that it starts and lets go, looks that it raises, each some seconds after its Go. */
export function ActionFields({ list, cue }: { list: ListSheet; cue: Cue }) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const actions = cue.actions ?? [];
  const set = (next: readonly Action[]): void =>
    void makeEdits([{ op: "setCue", list: list.id, from: cue.number, to: cue.number, actions: next.length > 0 ? [...next] : null }]);
  return (
    <fieldset aria-label="What it does besides" className="flex flex-col gap-1.5 border-t border-rule pt-2">
      {actions.map((action, index) => (
        <div key={`${index} ${JSON.stringify(action)}`} className="flex items-center gap-2">
          <Play size={13} className="shrink-0 text-secondary" />
          <span className="min-w-0 flex-1 truncate" title={actionWords(action, sheet)}>
            {actionWords(action, sheet)}
          </span>
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
      ))}
      <AddAction sheet={sheet} own={list} cue={cue} onAdd={(more) => set([...actions, ...more])} />
    </fieldset>
  );
}

function withAfter({ after: _before, ...action }: Action, after: number | null): Action {
  return after === null || after === 0 ? action : { ...action, after };
}

interface AddActionProps {
  sheet: ShowSheet;
  own: ListSheet;
  cue: Cue;
  onAdd: (actions: readonly Action[]) => void;
}

function AddAction({ sheet, own, cue, onAdd }: AddActionProps) {
  const run = useLive((live) => live.run);
  const lists = [...sheet.lists.values()].filter((each) => each !== own);
  const looks = sheet.show.heldLooks ?? [];
  const nowRunning = run ? runningActions(run.mix, own.id) : [];
  return (
    <DropMenu
      label={lists.length + looks.length === 0 ? "Does nothing besides" : "Also does …"}
      button="self-start border-neutral"
      list="w-72 max-h-96 overflow-y-auto"
    >
      {lists.length + looks.length === 0 && <MenuHeading>There is no side list and no held look yet</MenuHeading>}
      {lists.map(({ id, list }) => (
        <MenuEntry key={`start ${id}`} onAct={() => onAdd([{ do: "start", list: id }])}>
          Start {list.label || id}
        </MenuEntry>
      ))}
      {lists.map(({ id, list }) => (
        <MenuEntry key={`release ${id}`} onAct={() => onAdd([{ do: "release", list: id }])}>
          Release {list.label || id}
        </MenuEntry>
      ))}
      {looks.flatMap(({ id, label }) => [
        <MenuEntry key={`raise ${id}`} onAct={() => onAdd([{ do: "look", look: id, level: 100, time: 3 }])}>
          Raise {label || id} in 3 s
        </MenuEntry>,
        <MenuEntry key={`lower ${id}`} onAct={() => onAdd([{ do: "look", look: id, level: 0, time: 3 }])}>
          Take {label || id} out in 3 s
        </MenuEntry>,
      ])}
      <MenuRule />
      <MenuEntry onAct={() => onAdd(nowRunning)}>
        {nowRunning.length === 0
          ? "What is running now (nothing is)"
          : `What is running now: ${nowRunning.map((each) => actionWords(each, sheet)).join(", ")}`}
      </MenuEntry>
      <MenuEntry onAct={() => putLine(`#${cue.number}: start `)}>Type it …</MenuEntry>
    </DropMenu>
  );
}
