import { type Attribute, FAMILIES, type FixtureType, count, freeId } from "@zm/core";
import { X } from "lucide-react";
import { useState } from "react";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { useFormDraft } from "./formDrafts.ts";
import { CellField, numberFault } from "./CellField.tsx";
import { EntryForm, NamedField } from "./EntryForm.tsx";
import { EntryList } from "./EntryList.tsx";

const LEVEL: Attribute = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
/** What a light is often made of, to add at once. */
const USUAL: readonly (readonly [string, readonly Attribute[]])[] = [
  ["intensity", [LEVEL]],
  [
    "pan and tilt",
    [
      { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 120 },
      { id: "tilt", family: "position", min: -130, max: 130, home: 0, speed: 90 },
    ],
  ],
  ["red green blue", ["red", "green", "blue"].map((id): Attribute => ({ id, family: "colour", min: 0, max: 100, home: 100 }))],
  ["zoom", [{ id: "zoom", family: "beam", min: 6, max: 50, home: 22, speed: 30 }]],
  ["gobo wheel", [{ id: "gobo", family: "beam", min: 0, max: 8, home: 0, snap: true }]],
];

/** The kinds of lights: what each can do, in which range, where it rests and how fast it gets there. */
export function TypesTab() {
  const { sheet } = useShow();
  const { show } = sheet;
  const makeEdits = useMakeEdits();
  const [chosen, setChosen] = useState<string | null>(null);
  const type = show.fixtureTypes.find((each) => each.id === chosen) ?? show.fixtureTypes[0];
  const used = (id: string): number => show.channels.filter((channel) => channel.type === id).length;
  const add = async (): Promise<void> => {
    const id = freeId(
      "New type",
      show.fixtureTypes.map((each) => each.id),
    );
    if (await makeEdits([{ op: "setType", type: { id, name: "New type", attributes: [LEVEL] } }])) setChosen(id);
  };
  return (
    <EntryList
      label="Types"
      entries={show.fixtureTypes.map(({ id, name }) => ({ id, name: name || id, about: `${used(id)}` }))}
      chosen={type?.id ?? null}
      onChoose={setChosen}
      onAdd={add}
      draftName={(id) => `type ${id}`}
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

function TypeForm({ type, used }: { type: FixtureType; used: number }) {
  const draft = useFormDraft<{ name: string; attributes: readonly Attribute[] }>(`type ${type.id}`, {
    name: type.name,
    attributes: type.attributes,
  });
  const { name, attributes } = draft.value;
  const setName = (next: string): void => draft.set({ name: next, attributes });
  const setAttributes = (next: readonly Attribute[]): void => draft.set({ name, attributes: next });
  const after: FixtureType = { id: type.id, name: name.trim(), attributes: [...attributes] };
  const change = (index: number, patch: Partial<Attribute>): void =>
    setAttributes(attributes.map((each, at) => (at === index ? { ...each, ...patch } : each)));
  const number = (index: number, field: "min" | "max" | "home" | "speed", text: string): void => {
    if (text === "") change(index, { speed: undefined });
    else change(index, { [field]: Number(text.replace(",", ".")) });
  };
  const missing = USUAL.filter(([, some]) => some.some((each) => !attributes.some(({ id }) => id === each.id)));
  return (
    <EntryForm
      label={`Type ${type.name}`}
      draft={draft}
      edits={JSON.stringify(after) === JSON.stringify(type) ? null : [{ op: "setType", type: after }]}
      removals={[{ word: "Remove the type", edit: { op: "removeType", type: type.id } }]}
    >
      <div className="flex items-end gap-4">
        <NamedField name="name" value={name} onChange={setName} />
        <span className="pb-1.5 text-quiet">
          {count(used, "light")}, {attributes.length} {attributes.length === 1 ? "address" : "addresses"} each
        </span>
      </div>
      <div role="grid" aria-label="Attributes" className="text-[14px]">
        <div role="row" className={`${ROW} border-b border-rule text-[13px] text-quiet`}>
          {["attribute", "family", "from", "to", "home", "speed a second", "jumps", ""].map((word, index) => (
            <span key={index} role="columnheader" className="px-1.5">
              {word}
            </span>
          ))}
        </div>
        {attributes.map((attribute, index) => (
          <div key={index} role="row" aria-rowindex={index + 2} className={`${ROW} border-b border-rule/50`}>
            <CellField
              label={`Attribute ${index + 1}`}
              value={attribute.id}
              check={(text) => (text === "" ? "An attribute has a name, such as pan" : undefined)}
              onTake={(id) => change(index, { id })}
            />
            <span role="gridcell">
              <select
                aria-label={`Family of ${attribute.id}`}
                className="w-full bg-transparent"
                value={attribute.family}
                onChange={(event) => change(index, { family: FAMILIES.find((each) => each === event.target.value) ?? attribute.family })}
              >
                {FAMILIES.map((family) => (
                  <option key={family}>{family}</option>
                ))}
              </select>
            </span>
            {(["min", "max", "home", "speed"] as const).map((field) => (
              <CellField
                key={field}
                label={`${field} of ${attribute.id}`}
                value={attribute[field] === undefined ? "" : String(attribute[field])}
                figures
                check={(text) => (text === "" && field === "speed" ? undefined : numberFault(text))}
                onTake={(text) => number(index, field, text)}
              />
            ))}
            <span role="gridcell" className="px-1.5">
              <input
                type="checkbox"
                aria-label={`${attribute.id} jumps`}
                className="checkbox checkbox-xs"
                checked={attribute.snap ?? false}
                onChange={(event) => change(index, { snap: event.target.checked ? true : undefined })}
              />
            </span>
            <span role="gridcell">
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square"
                aria-label={`Take ${attribute.id} out`}
                onClick={() => setAttributes(attributes.filter((_, at) => at !== index))}
              >
                <X size={12} />
              </button>
            </span>
          </div>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-1">
        <span className="mr-1 text-[13px] text-quiet">add</span>
        {missing.map(([word, some]) => (
          <button
            key={word}
            type="button"
            className="btn btn-xs border-neutral font-normal"
            onClick={() => setAttributes([...attributes, ...some.filter((each) => !attributes.some(({ id }) => id === each.id))])}
          >
            {word}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          onClick={() =>
            setAttributes([
              ...attributes,
              {
                id: freeId(
                  "attribute",
                  attributes.map(({ id }) => id),
                ),
                family: "beam",
                min: 0,
                max: 100,
                home: 0,
              },
            ])
          }
        >
          another
        </button>
      </div>
    </EntryForm>
  );
}

const ROW = "grid h-7 grid-cols-[1.3fr_1fr_repeat(3,0.7fr)_1fr_0.5fr_28px] items-center";
