import { isAddress } from "@zm/protocol";
import { useState } from "react";

interface AddressFieldProps {
  label: string;
  value: string;
  onTake: (address: string) => void;
}

/** An address that is taken when the field is left, or with Enter; one that is none stays, marked. */
export function AddressField({ label, value, onTake }: AddressFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? value;
  const wrong = text !== "" && !isAddress(text);
  const take = (): void => {
    if (typed === null || wrong) return;
    if (typed !== value) onTake(typed);
    setTyped(null);
  };
  return (
    <label className="flex items-center gap-2 text-quiet">
      {label}
      <input
        className="input input-sm figures w-44 bg-base-200 px-2 aria-invalid:border-error aria-invalid:text-error"
        placeholder="host:port"
        value={text}
        aria-invalid={wrong}
        title={wrong ? "A host and a port from 1 to 65535, such as 127.0.0.1:5568" : undefined}
        onChange={(event) => setTyped(event.target.value.trim())}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === "Enter") take();
          if (event.key === "Escape") setTyped(null);
        }}
      />
    </label>
  );
}
