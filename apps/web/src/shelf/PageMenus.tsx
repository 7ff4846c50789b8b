import { type Page, type PageItem, freeIdAmong } from "@zm/core";
import { ChevronLeft, ChevronRight, Plus, Trash2 } from "lucide-react";
import { useState } from "react";
import { ActionForm } from "../actions/ActionForm.tsx";
import { DropMenu, MenuEntry, MenuHeading, MenuRule, NamedEntry } from "../shared/DropMenu.tsx";
import { Modal } from "../shared/Modal.tsx";
import { ModalHead } from "../shared/ModalHead.tsx";
import { notify } from "../shared/notices.ts";
import { useStandbySet } from "../show/run/useStandby.ts";
import { useMakeEdits, useMakeEditsInTurn, useShow } from "../show/useShow.ts";
import { useShelf } from "./useShelf.ts";

/** Changing a page as it is when the change comes to its turn. */
export function usePageChange(): (id: string, change: (page: Page) => Page) => void {
  const makeInTurn = useMakeEditsInTurn();
  return (id, change) =>
    void makeInTurn(({ show }) => {
      const standing = show.pages?.find((page) => page.id === id);
      return standing ? [{ op: "setPage", page: change(standing) }] : [];
    });
}

/** Makes a page of the shelf. */
export function NewPage() {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const make = async (label: string): Promise<void> => {
    const id = freeIdAmong(label, sheet.show.pages ?? []);
    if (await makeEdits([{ op: "setPage", page: { id, label, items: [] } }])) useShelf.setState({ own: id });
  };
  return (
    <DropMenu label="New page" button="border-neutral" list="w-64">
      <NamedEntry label="Name of the new page" placeholder="name, then Enter" onName={make}>
        Strips and buttons of your own …
      </NamedEntry>
    </DropMenu>
  );
}

/** What is done with a page: what comes onto it, its name, its place among the pages. */
export function PageMenu({ page }: { page: Page }) {
  const { sheet } = useShow();
  const { show } = sheet;
  const change = usePageChange();
  const makeEdits = useMakeEdits();
  const standby = useStandbySet();
  const [making, setMaking] = useState(false);
  const add = (item: PageItem): void => change(page.id, (standing) => ({ ...standing, items: [...standing.items, item] }));
  const pages = show.pages ?? [];
  const place = pages.findIndex(({ id }) => id === page.id);
  const remove = async (): Promise<void> => {
    useShelf.setState({ own: null });
    if (await makeEdits([{ op: "removePage", page: page.id }]))
      notify(`The page ${page.label} is removed. Ctrl Z brings it back`, "word", { of: "step" });
  };
  // A page goes before another by coming again behind those that follow it.
  const shift = (by: 1 | -1): void => {
    const order = [...pages];
    const [own] = order.splice(place, 1);
    if (own) order.splice(place + by, 0, own);
    const from = Math.min(place, place + by);
    void makeEdits(
      order.slice(from).flatMap((each) => [
        { op: "removePage", page: each.id },
        { op: "setPage", page: each },
      ]),
    );
  };
  const strips: readonly (readonly [string, readonly { readonly item: PageItem; readonly label: string }[]])[] = [
    ["Lists", show.lists.map(({ id, label }) => ({ item: { list: id }, label: label || id }))],
    ["Held looks", (show.heldLooks ?? []).map(({ id, label }) => ({ item: { look: id }, label: label || id }))],
    ["Tempos", (show.tempos ?? []).map(({ id, label }) => ({ item: { tempo: id }, label: label || id }))],
  ];
  return (
    <>
      <DropMenu label="Add" name={`Add to ${page.label}`} button="border-neutral" list="w-72">
        <MenuEntry onAct={() => setMaking(true)}>
          <Plus size={14} /> A button: a cue, a look, a list, a tempo …
        </MenuEntry>
        {standby.length > 0 && (
          <MenuEntry onAct={() => add({ set: standby.map(({ list, cue }) => ({ list, cue })) })}>
            <Plus size={14} /> A button that fires the set that waits now
          </MenuEntry>
        )}
        {strips.map(
          ([name, all]) =>
            all.length > 0 && (
              <div key={name}>
                <MenuHeading>{name}</MenuHeading>
                {all.map(({ item, label }) => (
                  <MenuEntry key={label} onAct={() => add(item)}>
                    {label}
                  </MenuEntry>
                ))}
              </div>
            ),
        )}
      </DropMenu>
      <DropMenu label="" name={`More of the page ${page.label}`} button="min-h-7 h-7 px-0.5" list="w-64">
        <NamedEntry
          label="Name of this page"
          placeholder="name, then Enter"
          value={page.label}
          onName={(label) => change(page.id, (standing) => ({ ...standing, label }))}
        >
          Rename …
        </NamedEntry>
        {place > 0 && (
          <MenuEntry onAct={() => shift(-1)}>
            <ChevronLeft size={14} /> Before {pages[place - 1]?.label}
          </MenuEntry>
        )}
        {place < pages.length - 1 && (
          <MenuEntry onAct={() => shift(1)}>
            <ChevronRight size={14} /> Behind {pages[place + 1]?.label}
          </MenuEntry>
        )}
        <MenuRule />
        <MenuEntry onAct={remove}>
          <Trash2 size={15} /> Remove this page
        </MenuEntry>
      </DropMenu>
      {making && (
        <Modal label="A button for the shelf" onClose={() => setMaking(false)} className="flex w-[26rem] flex-col gap-2 p-4">
          <ModalHead name={`A button on ${page.label}`} />
          <ActionForm word="Put it there" onTake={(action) => add({ do: action })} onClose={() => setMaking(false)} />
        </Modal>
      )}
    </>
  );
}
