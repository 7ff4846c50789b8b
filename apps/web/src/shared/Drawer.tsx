import { FocusScope } from "@radix-ui/react-focus-scope";
import { useEffect, useRef } from "react";
import { useOnce } from "./ActionButton.tsx";
import { modalIsOpen } from "./dialogs.ts";

interface DrawerProps {
  label: string;
  /** What stands beside the name of the drawer. */
  aside?: React.ReactNode;
  /** Makes what the drawer says; further presses while it is under way do nothing. */
  onSubmit: () => unknown;
  /** Puts it away. */
  onClose: () => void;
  children: React.ReactNode;
}

/** A drawer that slides over the right edge; the stage stays in sight and can be pressed. Tab goes round inside it, Enter makes it, Escape puts it away. */
export function Drawer({ label, aside, onSubmit, onClose, children }: DrawerProps) {
  const form = useRef<HTMLFormElement>(null);
  const [submit] = useOnce(onSubmit);
  useEffect(() => {
    if (!form.current?.contains(document.activeElement)) form.current?.focus();
  }, []);
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    // The field that had the focus may be gone when what it asked for was made; Escape still puts the drawer away.
    const escape = (event: KeyboardEvent): void => {
      if (event.key === "Escape" && document.activeElement === document.body && !modalIsOpen()) close.current();
    };
    document.addEventListener("keydown", escape);
    return () => document.removeEventListener("keydown", escape);
  }, []);
  return (
    <FocusScope asChild loop onMountAutoFocus={(event) => event.preventDefault()} onUnmountAutoFocus={(event) => event.preventDefault()}>
      <form
        ref={form}
        tabIndex={-1}
        role="dialog"
        aria-label={label}
        className="absolute top-0 right-0 bottom-0 z-40 flex w-[428px] flex-col gap-2 overflow-y-auto border-l border-secondary bg-base-200 px-5 py-2"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
        onKeyDown={(event) => {
          // A field takes what was typed when it is left; Enter makes the whole.
          if (event.key === "Enter" && event.repeat) event.preventDefault();
          else if (event.key === "Enter" && event.target instanceof HTMLInputElement) {
            event.target.blur();
            event.target.focus();
          }
          if (event.key !== "Escape") return;
          event.stopPropagation();
          onClose();
        }}
      >
        <div className="flex items-center justify-between gap-2">
          <h2 className="text-[17px] font-bold">{label}</h2>
          {aside}
        </div>
        {children}
      </form>
    </FocusScope>
  );
}

/** What ends a drawer: making it, or putting it away. */
export function DrawerButtons({ word, ready, onClose }: { word: string; ready: boolean; onClose: () => void }) {
  return (
    <div className="sticky -bottom-2 mt-auto flex gap-2 border-t border-rule bg-base-200 py-2">
      <button type="submit" className="btn btn-primary flex-1" disabled={!ready}>
        {word}
      </button>
      <button type="button" className="btn btn-outline border-neutral" onClick={onClose}>
        Not now
      </button>
    </div>
  );
}
