import { type Group, editParts, freeIdAmong } from "@zm/core";
import { useState } from "react";
import { z } from "zod";
import { chooseLights, useSelection } from "../choice/selection.ts";
import { lightSpans } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { EntryForm, NamedField } from "./EntryForm.tsx";
import { EntryList } from "./EntryList.tsx";
import { createDrafts, useEntered } from "./entryDrafts.ts";
import { useEntryForm } from "./useEntryForm.ts";
import { readLights } from "./readLights.ts";

/** A group as its form says it: the lights as they are typed. */
const fields = z.strictObject({ label: editParts.label, text: z.string() });
const useGroupDrafts = createDrafts<z.infer<typeof fields>>();

/** The groups and the order of their lights, which is the order in which fans spread. */
export function GroupsTab() {
  const { sheet } = useShow();
  const { show } = sheet;
  const makeEdits = useMakeEdits();
  const chosenLights = useSelection((choice) => choice.channels);
  const [chosen, setChosen] = useState<string | null>(null);
  const group = show.groups.find((each) => each.id === chosen) ?? show.groups[0];
  const add = async (): Promise<void> => {
    const id = freeIdAmong("group", show.groups);
    if (await makeEdits([{ op: "setGroup", group: { id, label: "New group", channels: [...chosenLights] } }])) setChosen(id);
  };
  const entered = useEntered(useGroupDrafts);
  return (
    <EntryList
      label="Groups"
      entries={show.groups.map(({ id, label, channels }) => ({ id, name: label || id, about: String(channels.length) }))}
      chosen={group?.id ?? null}
      onChoose={setChosen}
      onAdd={add}
      entered={entered}
      addWord={chosenLights.length > 0 ? `New group of ${chosenLights.length} chosen` : "New group"}
    >
      {group ? (
        <GroupForm key={group.id} group={group} />
      ) : (
        <p className="text-quiet">No group yet. Choose lights, then make one of them.</p>
      )}
    </EntryList>
  );
}

function GroupForm({ group }: { group: Group }) {
  const { sheet } = useShow();
  const chosen = useSelection((choice) => choice.channels);
  const stored = { label: group.label, text: lightSpans(group.channels) };
  const { form, values, draft } = useEntryForm(useGroupDrafts, group.id, stored, fields);
  const { label, text } = values;
  const setText = (next: string): void => form.setValue("text", next);
  const read = readLights(text, sheet);
  const after = "channels" in read ? { id: group.id, label: label.trim(), channels: read.channels } : undefined;
  return (
    <EntryForm
      label={`Group ${group.label}`}
      draft={draft}
      edits={!after || JSON.stringify(after) === JSON.stringify(group) ? null : [{ op: "setGroup", group: after }]}
      removals={[{ word: "Remove the group", edit: { op: "removeGroup", group: group.id } }]}
    >
      <div className="flex items-end gap-4">
        <NamedField words="label" {...form.register("label")} fault={form.formState.errors.label?.message} />
        <span className="pb-1.5 text-quiet">
          typed as <span className="figures text-base-content">@{group.id}</span>
        </span>
      </div>
      <NamedField
        words="lights, in the order in which fans spread over them"
        {...form.register("text")}
        width="w-full"
        figures
        placeholder="1..6, 9, 8"
      />
      {"fault" in read && <p className="text-error">{read.fault}</p>}
      <div className="flex flex-wrap gap-1">
        <button type="button" className="btn btn-xs border-neutral font-normal" onClick={() => chooseLights(group.channels)}>
          Choose these lights
        </button>
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          disabled={chosen.length === 0}
          onClick={() => setText(lightSpans(chosen))}
        >
          Take the {chosen.length} chosen
        </button>
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          disabled={!after}
          onClick={() => after && setText(lightSpans([...after.channels].reverse()))}
        >
          Turn round
        </button>
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          disabled={!after}
          onClick={() => after && setText(lightSpans([...after.channels].sort((a, b) => a - b)))}
        >
          In order of number
        </button>
      </div>
    </EntryForm>
  );
}
