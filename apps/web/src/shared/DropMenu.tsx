import { ChevronDown } from "lucide-react";
import { useRef, useState } from "react";

type Closing = <Given extends unknown[]>(work: (...given: Given) => unknown) => (...given: Given) => void;

interface DropMenuProps {
  label: string;
  /** Classes of the button, and of the list behind it. */
  button: string;
  list: string;
  /** Told when it opens and closes. */
  onOpen?: (open: boolean) => void;
  /** The entries, each an `li`. What they do is handed to `closing`, which puts the menu away first. */
  children: (closing: Closing) => React.ReactNode;
}

/** A button with a menu behind it; Escape, and going elsewhere, closes it. */
export function DropMenu({ label, button, list, onOpen, children }: DropMenuProps) {
  const [open, setOpen] = useState(false);
  const menu = useRef<HTMLDivElement>(null);
  const show = (next: boolean): void => {
    setOpen(next);
    onOpen?.(next);
  };
  const closing: Closing =
    (work) =>
    (...given) => {
      show(false);
      void work(...given);
    };
  return (
    <div
      ref={menu}
      className="relative"
      onBlur={(event) => menu.current?.contains(event.relatedTarget) || show(false)}
      onKeyDown={(event) => {
        if (event.key !== "Escape" || !open) return;
        event.preventDefault();
        show(false);
      }}
    >
      <button
        type="button"
        className={`btn btn-ghost btn-sm flex-nowrap gap-1 px-1.5 ${button}`}
        aria-haspopup="true"
        aria-expanded={open}
        onClick={() => show(!open)}
      >
        <span className="truncate">{label}</span> <ChevronDown size={14} className="shrink-0" />
      </button>
      {open && <ul className={`menu absolute top-9 left-0 z-50 rounded border border-rule bg-base-300 ${list}`}>{children(closing)}</ul>}
    </div>
  );
}

/** An entry that asks for a name where it stands before it does what it says. */
export function NamedEntry({
  label,
  value = "",
  placeholder,
  onName,
  children,
}: {
  label: string;
  /** The name that it has now. */
  value?: string;
  placeholder: string;
  onName: (name: string) => void;
  children: React.ReactNode;
}) {
  const [naming, setNaming] = useState(false);
  if (!naming)
    return (
      <button type="button" onClick={() => setNaming(true)}>
        {children}
      </button>
    );
  return (
    <input
      aria-label={label}
      placeholder={placeholder}
      defaultValue={value}
      autoFocus
      onFocus={(event) => event.target.select()}
      className="input input-sm bg-base-100"
      onKeyDown={(event) => {
        const name = event.currentTarget.value.trim();
        if (event.key === "Enter" && !event.repeat && name !== "") onName(name);
      }}
    />
  );
}
