import { freeId } from "@zm/core";
import { ChevronDown, ListPlus, ListTree } from "lucide-react";
import { useRef, useState } from "react";
import { useChoice } from "../choice/choice.ts";
import { useList, useMakeEdits, useShow } from "../show/useShow.ts";
import { GatherDialog } from "./GatherDialog.tsx";

/** The list that is worked on; behind it the others, a new one, and one gathered from cues that exist. */
export function ListMenu() {
  const { sheet } = useShow();
  const list = useList();
  const makeEdits = useMakeEdits();
  const [open, setOpen] = useState(false);
  const [naming, setNaming] = useState(false);
  const [gathering, setGathering] = useState(false);
  const menu = useRef<HTMLDivElement>(null);
  const add = async (label: string): Promise<void> => {
    const id = freeId(label, sheet.lists.keys());
    setNaming(false);
    setOpen(false);
    if (await makeEdits([{ op: "setList", list: { id, label } }])) chooseList(id);
  };
  return (
    <div
      ref={menu}
      className="relative mr-2"
      onBlur={(event) => menu.current?.contains(event.relatedTarget) || setOpen(false)}
      onKeyDown={(event) => {
        if (event.key !== "Escape" || !open) return;
        event.preventDefault();
        setOpen(false);
      }}
    >
      <button
        type="button"
        className="btn btn-ghost btn-sm gap-1 px-1.5 text-[13px] font-normal text-quiet"
        aria-haspopup="true"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {list.list.label} list <ChevronDown size={13} />
      </button>
      {open && (
        <ul className="menu absolute top-9 left-0 z-50 w-64 rounded border border-rule bg-base-300">
          {[...sheet.lists.values()].map((each, index) => (
            <li key={each.id}>
              <button
                type="button"
                aria-current={each === list}
                className={each === list ? "text-secondary" : ""}
                onClick={() => {
                  chooseList(index === 0 ? null : each.id);
                  setOpen(false);
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
            {naming ? (
              <input
                aria-label="Name of the new list"
                placeholder="name, then Enter"
                autoFocus
                className="input input-sm bg-base-100"
                onKeyDown={(event) => {
                  const label = event.currentTarget.value.trim();
                  if (event.key === "Enter" && label !== "") void add(label);
                }}
              />
            ) : (
              <button type="button" onClick={() => setNaming(true)}>
                <ListPlus size={15} /> New list …
              </button>
            )}
          </li>
          <li>
            <button
              type="button"
              onClick={() => {
                setOpen(false);
                setGathering(true);
              }}
            >
              <ListTree size={15} /> List gathered from cues …
            </button>
          </li>
        </ul>
      )}
      {gathering && <GatherDialog onClose={() => setGathering(false)} />}
    </div>
  );
}

/** Works on another list from now on; null is the show's first. What was chosen in the old one is let go. */
export function chooseList(list: string | null): void {
  useChoice.setState({ list, cue: null, cueEnd: null, draft: null, deed: null });
}
