import { type ListSheet, type ShowSheet, count, freeId } from "@zm/core";
import { FolderInput, ListOrdered, ListPlus, ListTree, PencilLine, Repeat, Trash2 } from "lucide-react";
import { useState } from "react";
import { chooseList } from "../choice/selection.ts";
import { faultOf } from "../preview/preview.ts";
import { openNumbers, openSteps, openTake } from "../shared/dialogs.ts";
import { notify } from "../shared/notices.ts";
import { DropMenu, MenuEntry, MenuRule, NamedEntry } from "../shared/DropMenu.tsx";
import { useListSettings } from "../show/useListSettings.ts";
import { useList, useMainList, useMakeEdits, useShow } from "../show/useShow.ts";
import { GatherDialog } from "./GatherDialog.tsx";

/** The list that is worked on; behind it the others, a new one, and one gathered from cues that exist. */
export function ListMenu() {
  const { sheet } = useShow();
  const list = useList();
  const main = useMainList();
  const [first, last] = [list.cues[0]?.number, list.cues.at(-1)?.number];
  const makeEdits = useMakeEdits();
  const [gathering, setGathering] = useState(false);
  const add = async (label: string): Promise<void> => {
    const id = freeId(label, sheet.lists.keys());
    if (await makeEdits([{ op: "setList", list: { id, label } }])) chooseList(id);
  };
  const change = useListSettings(list.id);
  const rename = (label: string): void => change((settings) => ({ ...settings, label }));
  const remove = async (): Promise<void> => {
    const { label, id } = list.list;
    chooseList(null);
    if (await makeEdits([{ op: "removeList", list: id, used: "drop" }]))
      notify(`The list ${label || id} is removed. Ctrl Z brings it back`, "word", { of: "step" });
    else chooseList(id);
  };
  return (
    <div className="mr-2">
      <DropMenu label={`${list.list.label} list`} button="text-[13px] font-normal text-quiet" list="w-64">
        {[...sheet.lists.values()].map((each, index) => (
          <MenuEntry key={each.id} current={each === list} onAct={() => chooseList(index === 0 ? null : each.id)}>
            {each.list.label || each.id}{" "}
            <span className="text-quiet">
              {each.cues.length} cues{index === 0 ? ", runs the show" : ""}
            </span>
          </MenuEntry>
        ))}
        <NamedEntry label="Name of the new list" placeholder="name, then Enter" onName={add}>
          <ListPlus size={15} /> New list …
        </NamedEntry>
        <MenuEntry onAct={() => setGathering(true)}>
          <ListTree size={15} /> List gathered from cues …
        </MenuEntry>
        <MenuEntry onAct={() => openTake()}>
          <FolderInput size={15} /> Cues of another show …
        </MenuEntry>
        {first !== undefined && last !== undefined && (
          <MenuEntry onAct={() => openNumbers(first, last)}>
            <ListOrdered size={15} /> Numbers, old and new …
          </MenuEntry>
        )}
        {list !== main && (
          <MenuEntry onAct={() => openSteps(list.id)}>
            <Repeat size={15} /> How this list runs …
          </MenuEntry>
        )}
        <MenuRule />
        <NamedEntry label="Name of this list" placeholder="name, then Enter" value={list.list.label} onName={rename}>
          <PencilLine size={15} /> Rename this list …
        </NamedEntry>
        {list !== main && (
          <MenuEntry onAct={remove}>
            <Trash2 size={15} /> {removalWords(sheet, list)}
          </MenuEntry>
        )}
      </DropMenu>
      {gathering && <GatherDialog onClose={() => setGathering(false)} />}
    </div>
  );
}

/** What goes when a list is removed: its cues, and what other cues say of it. */
function removalWords(sheet: ShowSheet, list: ListSheet): string {
  const fault = faultOf(sheet, [{ op: "removeList", list: list.id }]);
  return `Remove this list and its ${count(list.cues.length, "cue")}${fault !== undefined ? ", and what other cues say of it" : ""}`;
}
