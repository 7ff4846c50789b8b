import { MACHINE_FAULT, MOST_MACHINES, isMachine } from "@zm/protocol";
import { useState } from "react";

interface MachinesFieldProps {
  machines: readonly string[];
  onTake: (machines: string[]) => void;
}

/** The other machines that are listened to, with commas or spaces between them; taken when the field is left, or with Enter. What is none stays, marked. */
export function MachinesField({ machines, onTake }: MachinesFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = machines.join(", ");
  const named = (typed ?? shown).split(/[\s,;]+/).filter((each) => each !== "");
  const wrong = named.length > MOST_MACHINES || !named.every(isMachine);
  const take = (): void => {
    if (typed === null || wrong) return;
    if (named.join(", ") !== shown) onTake(named);
    setTyped(null);
  };
  return (
    <label className="flex items-center gap-2 text-quiet">
      and from
      <input
        aria-label="Other machines that are listened to"
        className="input input-sm figures w-60 bg-base-200 px-2 aria-invalid:border-error aria-invalid:text-error"
        placeholder="no other machine"
        value={typed ?? shown}
        aria-invalid={wrong}
        title={wrong ? MACHINE_FAULT : "Other machines that are listened to, by their addresses"}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === "Enter") take();
          if (event.key === "Escape") setTyped(null);
        }}
      />
    </label>
  );
}
