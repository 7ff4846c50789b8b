import { ShowError, addressesOf, bulkEdits, count, readPatch } from "@zm/core";
import { useState } from "react";
import { chooseLights } from "../choice/choice.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";

/** Adding a row of lights at once, or patching one anew: "1 to 12, LED wash, from 1.1". It says what will be there before it is. */
export function BulkForm() {
  const { sheet } = useShow();
  const { show } = sheet;
  const makeEdits = useMakeEdits();
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const [type, setType] = useState("");
  const [patch, setPatch] = useState("");
  const [label, setLabel] = useState("");
  const kind = show.fixtureTypes.some((each) => each.id === type) ? type : (show.fixtureTypes[0]?.id ?? "");
  const thought = think();

  function think(): { edits: ReturnType<typeof bulkEdits>; words: string } | { fault: string } | null {
    if (from.trim() === "") return null;
    const at = readPatch(patch);
    if (patch.trim() !== "" && !at) return { fault: `"${patch}" is not a patch; write universe and address such as 1.101` };
    const [first, last] = [Number(from), Number(to.trim() === "" ? from : to)];
    try {
      const edits = bulkEdits(show, { from: first, to: last, type: kind, label: label.trim() || undefined, ...(at ? { patch: at } : {}) });
      const known = show.channels.filter(({ number }) => number >= first && number <= last).length;
      const what = [
        known < edits.length ? `adds ${count(edits.length - known, "light")}` : "",
        known > 0 ? `changes ${count(known, "light")}` : "",
      ]
        .filter(Boolean)
        .join(", ");
      return {
        edits,
        words: at ? `${what}, ${addressesOf(show, kind)} ${addressesOf(show, kind) === 1 ? "address" : "addresses"} each` : what,
      };
    } catch (error) {
      if (error instanceof ShowError) return { fault: error.message };
      throw error;
    }
  }
  const make = async (): Promise<void> => {
    if (!thought || "fault" in thought || !(await makeEdits(thought.edits))) return;
    chooseLights(thought.edits.flatMap((edit) => (edit.op === "setChannel" ? [edit.channel.number] : [])));
    setFrom("");
    setTo("");
    setPatch("");
    setLabel("");
  };
  return (
    <form
      aria-label="Add lights"
      className="flex shrink-0 items-center gap-2 px-4 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        void make();
      }}
    >
      <Field label="First light" placeholder="1" width="w-14" value={from} onChange={setFrom} />
      <span className="text-quiet">to</span>
      <Field label="Last light" placeholder="12" width="w-14" value={to} onChange={setTo} />
      <select
        aria-label="Type of the lights"
        className="select select-sm w-36 bg-base-200"
        value={kind}
        onChange={(event) => setType(event.target.value)}
      >
        {show.fixtureTypes.length === 0 && <option value="">no type yet</option>}
        {show.fixtureTypes.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name || each.id}
          </option>
        ))}
      </select>
      <span className="text-quiet">from</span>
      <Field label="First patch" placeholder="1.1" width="w-18" value={patch} onChange={setPatch} />
      <span className="text-quiet">called</span>
      <Field label="Called" placeholder="Front" width="w-24" value={label} onChange={setLabel} plain />
      <button type="submit" className="btn btn-sm btn-primary" disabled={!thought || "fault" in thought}>
        Add
      </button>
      <span
        role="status"
        className={`min-w-0 flex-1 text-[13px] leading-tight ${thought && "fault" in thought ? "text-error" : "text-quiet"}`}
      >
        {thought ? ("fault" in thought ? thought.fault : thought.words) : ""}
      </span>
    </form>
  );
}

interface FieldProps {
  label: string;
  placeholder: string;
  width: string;
  value: string;
  onChange: (text: string) => void;
  plain?: boolean;
}

function Field({ label, placeholder, width, value, onChange, plain = false }: FieldProps) {
  return (
    <input
      aria-label={label}
      placeholder={placeholder}
      autoComplete="off"
      className={`input input-sm bg-base-200 px-2 ${width} ${plain ? "" : "figures"}`}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
