import { type PageItem, type ShowSheet, actionWords, capital } from "@zm/core";
import { useLive } from "../show/live.ts";
import type { LiveRun } from "../show/liveStore.ts";
import { usePressTile } from "./usePressTile.ts";

interface ButtonTileProps {
  item: PageItem;
  /** Which of the page's buttons it is, counted from 1: its key. */
  number: number;
  sheet: ShowSheet;
}

/** A button of a page of the shelf: what it does, its key, and whether what it starts is on. */
export function ButtonTile({ item, number, sheet }: ButtonTileProps) {
  const pressTile = usePressTile();
  const on = useLive((live) => isOn(item, live.run));
  const does = tileWords(item, sheet);
  const label = "label" in item && item.label ? item.label : does;
  return (
    <button
      type="button"
      aria-pressed={on}
      title={`${capital(does)}${number <= 9 ? ` (Ctrl Alt ${number})` : ""}`}
      className="flex min-h-0 w-full flex-1 flex-col justify-center rounded border border-neutral px-2 text-left hover:bg-base-300 aria-pressed:border-secondary aria-pressed:text-secondary"
      onClick={(event) => pressTile(item, event)}
    >
      <span className="line-clamp-2 w-full leading-4 font-semibold">{capital(label)}</span>
      {number <= 9 && <span className="figures text-[13px] text-quiet">Ctrl Alt {number}</span>}
    </button>
  );
}

/** What a button does, in a few words. */
export function tileWords(item: PageItem, sheet: ShowSheet): string {
  if ("do" in item) return actionWords(item.do, sheet);
  if (!("set" in item)) return "";
  return `fire ${item.set.map(({ list, cue }) => `${sheet.lists.get(list)?.list.label || list} ${cue}`).join(", ")}`;
}

/** True while what a button brings is there: its list stands in its cue, its look is up. */
function isOn(item: PageItem, run: LiveRun | null): boolean {
  if (!run) return false;
  if ("set" in item) return item.set.every(({ list, cue }) => run.mix.lists.get(list)?.cue === cue);
  if (!("do" in item)) return false;
  const { do: action } = item;
  if (action.do === "look") return action.level > 0 && run.mix.looks.get(action.look)?.level.to === action.level;
  if (action.do === "goto") return run.mix.lists.get(action.list)?.cue === action.cue;
  if (action.do === "start") {
    const stands = run.mix.lists.get(action.list)?.cue ?? null;
    return action.cue === undefined ? stands !== null : stands === action.cue;
  }
  return false;
}
