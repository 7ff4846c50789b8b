import type { Page, PageItem, ShowSheet } from "@zm/core";

/** A place of a page with its number in the page, counted from 0: by it the place is changed. */
export interface PagePlace {
  readonly item: PageItem;
  readonly at: number;
}

/** True for a button; every other place of a page is a strip. */
export function isButton(item: PageItem): boolean {
  return "do" in item || "set" in item;
}

/** True for what a place speaks of and the show has. */
function isThere(item: PageItem, sheet: ShowSheet): boolean {
  if ("set" in item) return item.set.every(({ list }) => sheet.lists.has(list));
  const { list, look, tempo }: { list?: string | undefined; look?: string; tempo?: string } = "do" in item ? item.do : item;
  const { heldLooks = [], tempos = [] } = sheet.show;
  return (
    (list === undefined || sheet.lists.has(list)) &&
    (look === undefined || heldLooks.some(({ id }) => id === look)) &&
    (tempo === undefined || tempos.some(({ id }) => id === tempo))
  );
}

/** The places of a page of which the show has what they speak of, in order; buttons that stand beside each other share a column. */
export function columnsOf(page: Page, sheet: ShowSheet): PagePlace[][] {
  const columns: PagePlace[][] = [];
  page.items.forEach((item, at) => {
    if (!isThere(item, sheet)) return;
    const before = columns.at(-1);
    const [first] = before ?? [];
    if (before && first && isButton(first.item) && isButton(item) && before.length < BUTTONS_A_COLUMN) before.push({ item, at });
    else columns.push([{ item, at }]);
  });
  return columns;
}

/** So many buttons stand above each other. */
const BUTTONS_A_COLUMN = 3;

/** The buttons of a page that are there, in the order of their keys. */
export function buttonsOf(page: Page, sheet: ShowSheet): PageItem[] {
  return columnsOf(page, sheet).flatMap((column) => column.flatMap(({ item }) => (isButton(item) ? [item] : [])));
}

/** A page with the place at `at` somewhere else, by one place. */
export function moved(page: Page, at: number, by: 1 | -1): Page {
  const items = [...page.items];
  const [item] = items.splice(at, 1);
  if (!item) return page;
  items.splice(Math.max(0, Math.min(items.length, at + by)), 0, item);
  return { ...page, items };
}

/** A page without a place. */
export function without(page: Page, at: number): Page {
  return { ...page, items: page.items.filter((_, index) => index !== at) };
}
