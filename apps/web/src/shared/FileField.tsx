import type { RefObject } from "react";

/** Where a file is opened; it is not seen: what stands for it presses it. The same file may be chosen again. */
export function FileField(props: {
  ref: RefObject<HTMLInputElement | null>;
  label: string;
  accept: string;
  onFile?: (file: File) => unknown;
  /** Takes several at once, in place of one. */
  onFiles?: (files: readonly File[]) => unknown;
}) {
  return (
    <input
      ref={props.ref}
      type="file"
      accept={props.accept}
      multiple={props.onFiles !== undefined}
      className="hidden"
      aria-label={props.label}
      onChange={(event) => {
        const files = [...(event.target.files ?? [])];
        const [chosen] = files;
        event.target.value = "";
        if (chosen === undefined) return;
        if (props.onFiles) void props.onFiles(files);
        else void props.onFile?.(chosen);
      }}
    />
  );
}
