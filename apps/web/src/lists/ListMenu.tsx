import { freeId } from "@zm/core";
import { ListPlus, ListTree } from "lucide-react";
import { useState } from "react";
import { useChoice } from "../choice/choice.ts";
import { DropMenu, NamedEntry } from "../shared/DropMenu.tsx";
import { useList, useMakeEdits, useShow } from "../show/useShow.ts";
import { GatherDialog } from "./GatherDialog.tsx";

/** The list that is worked on; behind it the others, a new one, and one gathered from cues that exist. */
export function ListMenu() {
  const { sheet } = useShow();
  const list = useList();
  const makeEdits = useMakeEdits();
  const [gathering, setGathering] = useState(false);
  const add = async (label: string): Promise<void> => {
    const id = freeId(label, sheet.lists.keys());
    if (await makeEdits([{ op: "setList", list: { id, label } }])) chooseList(id);
  };
  return (
    <div className="mr-2">
      <DropMenu label={`${list.list.label} list`} button="text-[13px] font-normal text-quiet" list="w-64">
        {(close) => (
          <>
            {[...sheet.lists.values()].map((each, index) => (
              <li key={each.id}>
                <button
                  type="button"
                  aria-current={each === list}
                  className={each === list ? "text-secondary" : ""}
                  onClick={() => {
                    chooseList(index === 0 ? null : each.id);
                    close();
                  }}
                >
                  {each.list.label || each.id}{" "}
                  <span className="text-quiet">
                    {each.cues.length} cues{index === 0 ? ", runs the show" : ""}
                  </span>
                </button>
              </li>
            ))}
            <li>
              <NamedEntry
                label="Name of the new list"
                placeholder="name, then Enter"
                onName={(label) => {
                  close();
                  void add(label);
                }}
              >
                <ListPlus size={15} /> New list …
              </NamedEntry>
            </li>
            <li>
              <button
                type="button"
                onClick={() => {
                  close();
                  setGathering(true);
                }}
              >
                <ListTree size={15} /> List gathered from cues …
              </button>
            </li>
          </>
        )}
      </DropMenu>
      {gathering && <GatherDialog onClose={() => setGathering(false)} />}
    </div>
  );
}

/** Works on another list from now on; null is the show's first. What was chosen in the old one is let go. */
export function chooseList(list: string | null): void {
  useChoice.setState({ list, cue: null, cueEnd: null, draft: null, deed: null });
}
