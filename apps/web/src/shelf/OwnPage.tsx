import type { Page, PageItem } from "@zm/core";
import { ChevronLeft, ChevronRight, X } from "lucide-react";
import { useLive } from "../show/live.ts";
import { useShortcut } from "../shared/useShortcut.ts";
import { useShow } from "../show/useShow.ts";
import { ButtonTile, tileWords } from "./ButtonTile.tsx";
import { ListStrip } from "./ListStrip.tsx";
import { LookStrip } from "./LookStrip.tsx";
import { usePageChange } from "./PageMenus.tsx";
import { TempoStrip } from "./TempoStrip.tsx";
import { buttonsOf, columnsOf, isButton, moved, without } from "./pages.ts";
import { usePressTile } from "./usePressTile.ts";
import { useShelf } from "./useShelf.ts";

/** A page of the shelf that somebody made: its strips and its buttons in their order; the buttons are pressed by their keys too. */
export function OwnPage({ page }: { page: Page }) {
  const { sheet } = useShow();
  const arranging = useShelf((shelf) => shelf.arranging);
  const pressTile = usePressTile();
  const columns = columnsOf(page, sheet);
  const buttons = buttonsOf(page, sheet);
  useShortcut("pageButton", (event) => {
    const item = buttons[Number(event.key) - 1];
    if (item && !event.repeat) pressTile(item, event);
  });
  return (
    <div className="flex h-[188px] gap-2 overflow-x-auto">
      {columns.map((column) => (
        <div key={column[0]?.at} className="flex h-full w-[148px] shrink-0 flex-col gap-1">
          {column.map(({ item, at }) => (
            <div key={at} className={`relative min-h-0 flex-1 ${isButton(item) ? "flex max-h-[60px]" : ""}`}>
              {arranging && <PlaceTools page={page} at={at} item={item} />}
              {isButton(item) ? <ButtonTile item={item} number={buttons.indexOf(item) + 1} sheet={sheet} /> : <PageStrip item={item} />}
            </div>
          ))}
        </div>
      ))}
      {columns.length === 0 && (
        <p className="flex items-center px-4 text-quiet">
          Nothing stands on this page yet. Add strips of lists, held looks and tempos, and buttons that fire cues, raise looks or start
          lists; typed: page "{page.label}" tower, worklight
        </p>
      )}
    </div>
  );
}

/** The strip of what a place speaks of. */
function PageStrip({ item }: { item: PageItem }) {
  const { sheet } = useShow();
  const run = useLive((live) => live.run);
  if ("list" in item) {
    const list = sheet.lists.get(item.list);
    const isMain = sheet.show.lists[0]?.id === item.list;
    return list ? <ListStrip list={list} run={run?.mix.lists.get(list.id)} isMain={isMain} /> : null;
  }
  if ("look" in item) {
    const look = sheet.show.heldLooks?.find(({ id }) => id === item.look);
    return look ? <LookStrip look={look} run={run?.mix.looks.get(look.id)} /> : null;
  }
  if (!("tempo" in item)) return null;
  const tempo = sheet.show.tempos?.find(({ id }) => id === item.tempo);
  return tempo ? <TempoStrip tempo={tempo} /> : null;
}

/** Moves a place of the page, and takes it off. */
function PlaceTools({ page, at, item }: { page: Page; at: number; item: PageItem }) {
  const { sheet } = useShow();
  const change = usePageChange();
  const name = nameOf(item) || tileWords(item, sheet);
  const tools = [
    ["Before", <ChevronLeft key="left" size={13} />, (): void => change(page.id, (standing) => moved(standing, at, -1)), at === 0],
    ["Off the page", <X key="off" size={13} />, (): void => change(page.id, (standing) => without(standing, at)), false],
    [
      "Behind",
      <ChevronRight key="right" size={13} />,
      (): void => change(page.id, (standing) => moved(standing, at, 1)),
      at === page.items.length - 1,
    ],
  ] as const;
  return (
    <span className="absolute inset-x-0 bottom-0 z-10 flex justify-between rounded bg-base-300">
      {tools.map(([word, icon, act, off]) => (
        <button
          key={word}
          type="button"
          aria-label={`${word}: ${name}`}
          title={word}
          disabled={off}
          className="btn btn-xs btn-square h-7 w-7"
          onClick={act}
        >
          {icon}
        </button>
      ))}
    </span>
  );
}

/** The id of what a strip is of. */
function nameOf(item: PageItem): string {
  if ("list" in item) return item.list;
  if ("look" in item) return item.look;
  return "tempo" in item ? item.tempo : "";
}
