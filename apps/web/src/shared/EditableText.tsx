import { useEffect, useRef, useState } from "react";

interface EditableTextProps {
  label: string;
  value: string;
  /** Tells what is wrong with a text; undefined where it can be taken. */
  check?: (text: string) => string | undefined;
  /** Called once: with the text when it was taken, with undefined when it was dropped. */
  onDone: (text: string | undefined) => void;
}

/** A field that opens where a text stands: Enter takes it, Escape drops it, leaving takes it. What cannot be taken stays, marked, with the reason. */
export function EditableText({ label, value, check, onDone }: EditableTextProps) {
  const field = useRef<HTMLInputElement>(null);
  const done = useRef(false);
  const [fault, setFault] = useState<string>();
  useEffect(() => field.current?.select(), []);
  const finish = (text: string | undefined): void => {
    if (done.current) return;
    const wrong = text === undefined ? undefined : check?.(text);
    setFault(wrong);
    if (wrong !== undefined) return;
    done.current = true;
    onDone(text);
  };
  return (
    <span className="relative block w-full">
      <input
        ref={field}
        aria-label={label}
        aria-invalid={fault !== undefined}
        defaultValue={value}
        autoFocus
        className="h-6 w-full min-w-0 rounded border border-secondary bg-base-200 px-1 outline-none aria-invalid:border-error aria-invalid:text-error"
        onPointerDown={(event) => event.stopPropagation()}
        onChange={() => setFault(undefined)}
        onBlur={(event) => finish(event.target.value.trim())}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === "Enter") finish(event.currentTarget.value.trim());
          if (event.key === "Escape") finish(undefined);
        }}
      />
      {fault !== undefined && (
        <span
          role="alert"
          className="absolute top-7 right-0 z-50 w-56 rounded border border-error bg-base-300 px-2 py-1 text-[13px] whitespace-normal"
        >
          {fault}
        </span>
      )}
    </span>
  );
}
