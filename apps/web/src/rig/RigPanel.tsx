import { type EditInput, freeId, hangEdits, labelEdits, readPatch, renumberEdits, repatchEdits } from "@zm/core";
import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { z } from "zod";
import { useChoice } from "../choice/choice.ts";
import { faultOf } from "../preview/preview.ts";
import { notify } from "../shared/notices.ts";
import { lightWords } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { useOnce } from "../shared/ActionButton.tsx";
import { notInWords, readNumber, readNumberIn } from "../shared/readNumber.ts";
import { InUse } from "./InUse.tsx";
import { NameField } from "../give/TimesGive.tsx";

const CHANNEL_NUMBERS = { min: 1, max: 99_999, whole: true };

/** What can be done to the chosen lights of the rig at once. */
export function RigPanel() {
  const { sheet } = useShow();
  const { show } = sheet;
  const channels = useChoice((choice) => choice.channels);
  const makeEdits = useMakeEdits();
  const [naming, setNaming] = useState(false);
  const [removing, setRemoving] = useState<string | null>(null);
  const known = channels.filter((channel) => sheet.keys.byChannel.has(channel));
  if (known.length === 0)
    return (
      <p className="text-quiet">
        Choose lights by their numbers at the left; Shift takes a row of them, Ctrl one more. What can be done to all of them at once then
        stands here.
      </p>
    );
  const makeTold = async (edits: readonly EditInput[]): Promise<boolean> => {
    const fault = faultOf(sheet, edits);
    if (fault !== undefined) {
      notify(fault, "trouble");
      return false;
    }
    return makeEdits(edits);
  };
  const remove = (used: "refuse" | "drop"): void => {
    const edits = known.map((channel): EditInput => ({ op: "removeChannel", channel, used }));
    const fault = faultOf(sheet, edits);
    if (fault !== undefined) return setRemoving(fault);
    setRemoving(null);
    if (used === "drop") useChoice.setState({ draft: { from: "rig", edits } });
    else void makeEdits(edits).then((made) => made && useChoice.setState({ channels: [] }));
  };
  return (
    <section aria-label="Chosen lights" className="flex flex-col gap-3">
      <h2 className="text-[17px] font-bold">{lightWords(known)}</h2>
      <OneField
        label="Call them"
        placeholder="Front"
        onTake={(label) => makeTold(labelEdits(show, known, label))}
        hint="counted: Front 1, Front 2"
      />
      <OneField
        label="Patch from"
        placeholder="1.101"
        hint="one behind the other"
        onTake={(text) => {
          const patch = readPatch(text);
          if (patch) return makeTold(repatchEdits(show, known, patch));
          notify(`"${text}" is not a patch; write universe and address such as 1.101`, "trouble");
          return Promise.resolve(false);
        }}
      />
      <OneField
        label="Renumber from"
        placeholder="101"
        hint="cues, groups and palettes go along"
        onTake={async (text) => {
          const first = readNumberIn(text, CHANNEL_NUMBERS);
          if (first === undefined) {
            notify(`"${text}" ${notInWords(CHANNEL_NUMBERS)}; write the number of the first light, such as 101`, "trouble");
            return false;
          }
          if (!(await makeTold(renumberEdits(show, known, first)))) return false;
          useChoice.setState({ channels: known.map((_, index) => first + index) });
          return true;
        }}
      />
      <HangForm onTake={(from, to) => makeTold(hangEdits(show, known, from, to))} />
      {naming ? (
        <NameField
          label="Name of the group"
          onDone={(label) => {
            setNaming(false);
            if (label)
              void makeTold([
                {
                  op: "setGroup",
                  group: {
                    id: freeId(
                      label,
                      show.groups.map((each) => each.id),
                    ),
                    label,
                    channels: [...known],
                  },
                },
              ]);
          }}
        />
      ) : (
        <button type="button" className="btn btn-sm border-neutral" onClick={() => setNaming(true)}>
          Make a group of them …
        </button>
      )}
      <button type="button" className="btn btn-sm border-neutral" onClick={() => remove("refuse")}>
        Remove {known.length === 1 ? "this light" : `these ${known.length} lights`}
      </button>
      {removing && (
        <InUse said={removing} onLeave={() => setRemoving(null)}>
          <button type="button" className="btn btn-sm border-neutral" onClick={() => remove("drop")}>
            Take all that away too: show me
          </button>
        </InUse>
      )}
    </section>
  );
}

function OneField({
  label,
  placeholder,
  hint,
  onTake,
}: {
  label: string;
  placeholder: string;
  hint: string;
  onTake: (text: string) => Promise<boolean>;
}) {
  const { control, register, handleSubmit, reset } = useForm<{ text: string }>({ defaultValues: { text: "" } });
  const text = useWatch({ control, name: "text" }).trim();
  const [take] = useOnce(async (): Promise<void> => {
    if (text !== "" && (await onTake(text))) reset();
  });
  return (
    <form onSubmit={(event) => void handleSubmit(take)(event)}>
      <label className="text-[13px] text-quiet">
        {label}
        <span className="mt-0.5 flex gap-1.5">
          <input
            className={`input input-sm min-w-0 flex-1 bg-base-100 px-2 text-base-content ${/\d/.test(placeholder) ? "figures" : ""}`}
            placeholder={placeholder}
            autoComplete="off"
            {...register("text")}
          />
          <button type="submit" className="btn btn-sm border-neutral px-2" disabled={text === ""}>
            Do
          </button>
        </span>
      </label>
      <span className="text-[13px] text-quiet">{hint}</span>
    </form>
  );
}

type Place = { x: number; y: number; z: number };

const AXES = [
  ["x", "across"],
  ["y", "up"],
  ["z", "deep"],
] as const;

/** A length in metres as it is typed; an empty field is not one yet. */
const metres = z.string().trim().min(1).transform(readNumber).pipe(z.number());
const place = z.strictObject({ x: metres, y: metres, z: metres });
const hanging = z.strictObject({ from: place, to: place });
const NOWHERE = { x: "", y: "", z: "" };

function HangForm({ onTake }: { onTake: (from: Place, to: Place) => Promise<boolean> }) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { from: NOWHERE, to: NOWHERE },
    resolver: zodResolver(hanging),
    mode: "onChange",
  });
  return (
    <form aria-label="Hang them" onSubmit={(event) => void handleSubmit(({ from, to }) => onTake(from, to))(event)}>
      <p className="text-[13px] text-quiet">Hang them in a row, metres</p>
      {(["from", "to"] as const).map((end) => (
        <div key={end} className="mt-0.5 flex items-center gap-1">
          <span className="w-8 shrink-0 text-[13px] text-quiet">{end}</span>
          {AXES.map(([axis, word]) => (
            <input
              key={axis}
              aria-label={`${end} ${word}`}
              placeholder={word}
              className="input input-sm figures min-w-0 flex-1 bg-base-100 px-1 text-[13px]"
              autoComplete="off"
              {...register(`${end}.${axis}`)}
            />
          ))}
        </div>
      ))}
      <button type="submit" className="btn btn-sm mt-1 ml-9 border-neutral px-3" disabled={!formState.isValid}>
        Do
      </button>
    </form>
  );
}
