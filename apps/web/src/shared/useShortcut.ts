import type { RefObject } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { modalIsOpen } from "./dialogs.ts";
import { KEYS, type KeyEntry, type KeyName } from "./keys.ts";

interface ShortcutOptions {
  /** Where it holds only while this has the focus itself. */
  readonly on?: RefObject<HTMLElement | null>;
}

/** Binds a key of the table to what it does here. Over an open dialog no key reaches what lies behind it. */
export function useShortcut(name: KeyName, act: (event: KeyboardEvent) => void, { on }: ShortcutOptions = {}): void {
  const entry: KeyEntry = KEYS[name];
  useHotkeys(entry.keys ?? "", act, {
    // By the character, not the place of the key: "/" and "?" stand elsewhere on other keyboards.
    useKey: true,
    ignoreModifiers: entry.plain ?? false,
    preventDefault: true,
    enableOnFormTags: true,
    ignoreEventWhen: (event) => (on ? event.target !== on.current : false) || isMeantForOther(event, entry),
  });
}

function isMeantForOther(event: KeyboardEvent, { plain, inFields, inDrawers }: KeyEntry): boolean {
  if (event.defaultPrevented || modalIsOpen()) return true;
  if (plain && (event.ctrlKey || event.metaKey || event.altKey)) return true;
  if (!inFields && isField(event.target)) return true;
  return !inDrawers && isInDrawer(event.target);
}

/** A drawer that is being filled in, or a menu: it keeps single letters to itself. */
function isInDrawer(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest('[role="dialog"], [role="menu"]') !== null;
}

/** A field that letters are typed into; a slider or a tick box is none. */
function isField(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement) return !["range", "checkbox", "radio", "button"].includes(target.type);
  return target instanceof HTMLSelectElement || target instanceof HTMLTextAreaElement;
}
