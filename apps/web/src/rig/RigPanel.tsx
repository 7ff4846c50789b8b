import { type EditInput, hangEdits, labelEdits, readPatch, renumberEdits, repatchEdits } from "@zm/core";
import { useState } from "react";
import { considerEdits } from "../choice/draft.ts";
import { chooseLights, forgetLights, useSelection } from "../choice/selection.ts";
import { faultOf } from "../preview/preview.ts";
import { notify } from "../shared/notices.ts";
import { lightWords } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { notInWords, readNumberIn } from "../shared/readNumber.ts";
import { GroupButton } from "./GroupButton.tsx";
import { HangForm } from "./HangForm.tsx";
import { InUse } from "./InUse.tsx";
import { OneField } from "./OneField.tsx";

const CHANNEL_NUMBERS = { min: 1, max: 99_999, whole: true };

/** What can be done to the chosen lights of the rig at once. */
export function RigPanel() {
  const { sheet } = useShow();
  const { show } = sheet;
  const channels = useSelection((choice) => choice.channels);
  const makeEdits = useMakeEdits();
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
    if (used === "drop") considerEdits("rig", edits);
    else void makeEdits(edits).then((made) => made && forgetLights());
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
          chooseLights(known.map((_, index) => first + index));
          return true;
        }}
      />
      <HangForm onTake={(from, to) => makeTold(hangEdits(show, known, from, to))} />
      <GroupButton channels={known} onMake={(edit) => void makeTold([edit])} />
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
