import { useEffect, useRef } from "react";

interface EditableTextProps {
  label: string;
  value: string;
  /** Called once: with the text when it was taken, with undefined when it was dropped. */
  onDone: (text: string | undefined) => void;
}

/** A field that opens where a text stands: Enter takes it, Escape drops it, leaving takes it. */
export function EditableText({ label, value, onDone }: EditableTextProps) {
  const field = useRef<HTMLInputElement>(null);
  const done = useRef(false);
  useEffect(() => field.current?.select(), []);
  const finish = (text: string | undefined): void => {
    if (done.current) return;
    done.current = true;
    onDone(text);
  };
  return (
    <input
      ref={field}
      aria-label={label}
      defaultValue={value}
      autoFocus
      className="h-6 w-full min-w-0 rounded border border-secondary bg-base-200 px-1 outline-none"
      onPointerDown={(event) => event.stopPropagation()}
      onBlur={(event) => finish(event.target.value.trim())}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter") finish(event.currentTarget.value.trim());
        if (event.key === "Escape") finish(undefined);
      }}
    />
  );
}
