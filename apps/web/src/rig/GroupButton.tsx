import { type EditInput, freeId } from "@zm/core";
import { useState } from "react";
import { NameField } from "../give/TimesGive.tsx";
import { useShow } from "../show/useShow.ts";

/** Makes a group of lights, under a name that is asked for. */
export function GroupButton({ channels, onMake }: { channels: readonly number[]; onMake: (edit: EditInput) => void }) {
  const { sheet } = useShow();
  const [naming, setNaming] = useState(false);
  const done = (label: string | null): void => {
    setNaming(false);
    if (!label) return;
    const known = sheet.show.groups.map(({ id }) => id);
    onMake({ op: "setGroup", group: { id: freeId(label, known), label, channels: [...channels] } });
  };
  if (naming) return <NameField label="Name of the group" onDone={done} />;
  return (
    <button type="button" className="btn btn-sm border-neutral" onClick={() => setNaming(true)}>
      Make a group of them …
    </button>
  );
}
