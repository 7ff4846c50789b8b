import * as Menu from "@radix-ui/react-dropdown-menu";
import { ChevronDown } from "lucide-react";
import { createContext, useContext, useState } from "react";
import { type NumberBounds, notInWords, readNumberIn } from "./readNumber.ts";
import { NO_TIME, readSeconds } from "./readSeconds.ts";

interface DropMenuProps {
  label: string;
  /** What the button is called where its label says nothing by itself. */
  name?: string;
  /** Stands before the label. */
  icon?: React.ReactNode;
  /** Classes of the button, and of the list behind it. */
  button: string;
  list: string;
  /** Told when it opens and closes. */
  onOpen?: (open: boolean) => void;
  /** The entries: MenuEntry, MenuLink, NamedEntry, MenuHeading, MenuRule. */
  children: React.ReactNode;
}

interface OpenMenu {
  readonly close: () => void;
  /** An entry asks for a name: the pointer on its way over other entries does not take the focus from it. */
  readonly naming: boolean;
  readonly startNaming: () => void;
}

const OpenMenu = createContext<OpenMenu>({ close: () => undefined, naming: false, startNaming: () => undefined });

/** A button with a menu behind it: arrows and first letters walk the entries, Escape and going elsewhere close it. */
export function DropMenu({ label, name, icon, button, list, onOpen, children }: DropMenuProps) {
  const [open, setOpen] = useState(false);
  const [naming, setNaming] = useState(false);
  const show = (next: boolean): void => {
    setOpen(next);
    setNaming(false);
    onOpen?.(next);
  };
  return (
    <Menu.Root open={open} onOpenChange={show} modal={false}>
      <Menu.Trigger aria-label={name} className={`btn btn-ghost btn-sm flex-nowrap gap-1 px-1.5 ${button}`}>
        {icon}
        <span className="truncate">{label}</span> <ChevronDown size={14} className="shrink-0" />
      </Menu.Trigger>
      <Menu.Portal>
        <Menu.Content
          align="start"
          onPointerMoveCapture={(event) => naming && event.preventDefault()}
          sideOffset={4}
          className={`z-50 max-h-[min(80vh,var(--radix-dropdown-menu-content-available-height))] overflow-y-auto rounded border border-rule bg-base-300 p-1.5 shadow-lg ${list}`}
        >
          <OpenMenu.Provider value={{ close: () => show(false), naming, startNaming: () => setNaming(true) }}>{children}</OpenMenu.Provider>
        </Menu.Content>
      </Menu.Portal>
    </Menu.Root>
  );
}

const ENTRY =
  "flex w-full cursor-pointer items-center gap-2 rounded px-2.5 py-1.5 text-left outline-none data-[highlighted]:bg-base-100 aria-[current=true]:text-secondary";

/** One entry. While a name is asked for, the pointer on its way over it leaves the focus where it is. */
function Entry(props: React.ComponentProps<typeof Menu.Item>) {
  const { naming } = useContext(OpenMenu);
  return <Menu.Item className={ENTRY} onPointerLeave={(event) => naming && event.preventDefault()} {...props} />;
}

/** An entry that does something; the menu is put away first. */
export function MenuEntry({ current = false, onAct, children }: { current?: boolean; onAct: () => unknown; children: React.ReactNode }) {
  return (
    <Entry aria-current={current || undefined} onSelect={() => void onAct()}>
      {children}
    </Entry>
  );
}

/** An entry that fetches a file. */
export function MenuLink({ href, children }: { href: string; children: React.ReactNode }) {
  return (
    <Entry asChild>
      <a href={href} download>
        {children}
      </a>
    </Entry>
  );
}

/** An entry that opens a page of its own in a new window. */
export function MenuPage({ href, children }: { href: string; children: React.ReactNode }) {
  return (
    <Entry asChild>
      <a href={href} target="_blank" rel="noreferrer">
        {children}
      </a>
    </Entry>
  );
}

/** Words over the entries that follow. */
export function MenuHeading({ children }: { children: React.ReactNode }) {
  return <Menu.Label className="px-2.5 pt-2 text-[13px] text-quiet">{children}</Menu.Label>;
}

/** A line between entries. */
export function MenuRule() {
  return <Menu.Separator className="my-1 border-t border-rule" />;
}

interface AskingEntryProps {
  label: string;
  /** What holds now. */
  value?: string;
  placeholder: string;
  /** What is done with what was typed; a sentence where that cannot be taken: it stays, marked. */
  take: (text: string) => string | (() => unknown);
  children: React.ReactNode;
}

/** An entry that asks for something where it stands before it does what it says. */
function AskingEntry({ label, value = "", placeholder, take, children }: AskingEntryProps) {
  const [asking, setAsking] = useState(false);
  const [fault, setFault] = useState<string | undefined>();
  const { close, startNaming } = useContext(OpenMenu);
  if (!asking)
    return (
      <Entry
        onSelect={(event) => {
          event.preventDefault();
          startNaming();
          setAsking(true);
        }}
      >
        {children}
      </Entry>
    );
  return (
    <>
      <input
        aria-label={label}
        placeholder={placeholder}
        defaultValue={value}
        autoFocus
        aria-invalid={fault !== undefined}
        onFocus={(event) => event.target.select()}
        onChange={() => setFault(undefined)}
        className="input input-sm my-0.5 w-full bg-base-100 aria-invalid:border-error aria-invalid:text-error"
        onKeyDown={(event) => {
          // Letters and arrows are meant for the name, not for walking the menu.
          if (event.key !== "Escape") event.stopPropagation();
          if (event.key !== "Enter" || event.repeat) return;
          const taken = take(event.currentTarget.value.trim());
          if (typeof taken === "string") return setFault(taken);
          close();
          void taken();
        }}
      />
      {fault !== undefined && (
        <p role="alert" className="px-1 text-[13px] text-error">
          {fault}
        </p>
      )}
    </>
  );
}

/** An entry that asks for a name. */
export function NamedEntry({ onName, ...props }: Omit<AskingEntryProps, "take"> & { onName: (name: string) => unknown }) {
  return (
    <AskingEntry
      {...props}
      take={(text) => {
        return text === "" ? "It needs a name" : () => onName(text);
      }}
    />
  );
}

interface NumberEntryProps extends Omit<AskingEntryProps, "take"> {
  bounds: NumberBounds;
  /** Told null for an emptied field, where that says something. */
  onNumber: (value: number | null) => unknown;
  mayBeEmpty?: boolean;
}

/** An entry that asks for a number between its ends. */
export function NumberEntry({ bounds, onNumber, mayBeEmpty = false, ...props }: NumberEntryProps) {
  return (
    <AskingEntry
      {...props}
      take={(text) => {
        const number = text === "" && mayBeEmpty ? null : readNumberIn(text, bounds);
        return number === undefined ? `This ${notInWords(bounds)}` : () => onNumber(number);
      }}
    />
  );
}

/** An entry that asks for a time. */
export function SecondsEntry({ onSeconds, ...props }: Omit<AskingEntryProps, "take"> & { onSeconds: (seconds: number) => unknown }) {
  return (
    <AskingEntry
      {...props}
      take={(text) => {
        const time = readSeconds(text);
        return typeof time === "number" ? () => onSeconds(time) : `This ${NO_TIME}`;
      }}
    />
  );
}
