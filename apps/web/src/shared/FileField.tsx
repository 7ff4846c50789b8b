import type { RefObject } from "react";

/** Where a file is opened; it is not seen: what stands for it presses it. The same file may be chosen again. */
export function FileField(props: {
  ref: RefObject<HTMLInputElement | null>;
  label: string;
  accept: string;
  onFile: (file: File) => unknown;
}) {
  return (
    <input
      ref={props.ref}
      type="file"
      accept={props.accept}
      className="hidden"
      aria-label={props.label}
      onChange={(event) => {
        const [chosen] = event.target.files ?? [];
        event.target.value = "";
        if (chosen) void props.onFile(chosen);
      }}
    />
  );
}
