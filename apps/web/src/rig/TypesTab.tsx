import { freeIdAmong } from "@zm/core";
import { useState } from "react";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { useEntered } from "./entryDrafts.ts";
import { EntryList } from "./EntryList.tsx";
import { LEVEL, TypeForm, useTypeDrafts } from "./TypeForm.tsx";

/** The kinds of lights: what each can do, in which range, where it rests and how fast it gets there. */
export function TypesTab() {
  const { sheet } = useShow();
  const { show } = sheet;
  const makeEdits = useMakeEdits();
  const [chosen, setChosen] = useState<string | null>(null);
  const type = show.fixtureTypes.find((each) => each.id === chosen) ?? show.fixtureTypes[0];
  const used = (id: string): number => show.channels.filter((channel) => channel.type === id).length;
  const add = async (): Promise<void> => {
    const id = freeIdAmong("New type", show.fixtureTypes);
    if (await makeEdits([{ op: "setType", type: { id, name: "New type", attributes: [LEVEL] } }])) setChosen(id);
  };
  const entered = useEntered(useTypeDrafts);
  return (
    <EntryList
      label="Types"
      entries={show.fixtureTypes.map(({ id, name }) => ({ id, name: name || id, about: `${used(id)}` }))}
      chosen={type?.id ?? null}
      onChoose={setChosen}
      onAdd={add}
      entered={entered}
      addWord="New type"
    >
      {type ? (
        <TypeForm key={type.id} type={type} used={used(type.id)} />
      ) : (
        <p className="text-quiet">No type yet. A type says what a light can do; lights are added by type.</p>
      )}
    </EntryList>
  );
}
