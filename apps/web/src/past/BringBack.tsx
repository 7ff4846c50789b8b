import { useQueryClient } from "@tanstack/react-query";
import { type EditInput, type ShowSheet, bringBackSteps, capital, cueOrder } from "@zm/core";
import { useShallow } from "zustand/react/shallow";
import { considerEdits } from "../choice/draft.ts";
import { chosenCues, useSelection } from "../choice/selection.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { notify } from "../shared/notices.ts";
import { tellRefused } from "../show/unsettled.ts";
import { unlessRefused } from "../shared/unlessRefused.ts";
import { lightWords, sentence } from "../shared/words.ts";
import { api } from "../show/api.ts";
import { currentGesture } from "../show/gesture.ts";
import { enqueue } from "../show/queue.ts";
import { receiveEdit, useList, useShow } from "../show/useShow.ts";
import { usePoints } from "../show/past/past.ts";
import { useStateNames } from "../show/past/useStateNames.ts";
import { useComparison } from "../show/past/useComparison.ts";

/** What can be had back of the state that is looked at: chosen cues, chosen lights in them, or everything. Its impact stands below before it is made. */
export function BringBack() {
  const { id, sheet, revision } = useShow();
  const list = useList();
  const { show, then, against } = usePoints();
  const nameOf = useStateNames(id);
  const { before: past, same, comparison } = useComparison(list.id, show === id ? then : null);
  const choice = useSelection(useShallow(({ cue, cueEnd, channels }) => ({ cue, cueEnd, channels })));
  const cues = chosenCues(choice);
  if (show !== id || then === null)
    return <p className="text-quiet">What differs in the chosen cue, and what can be brought back, stands here.</p>;
  const name = nameOf(then);
  const numbers = cues && past ? numbersIn(sheet, past, list.id, cues) : [];
  const consider = (channels?: readonly number[]): void => {
    const identity = same?.get(list.id) ?? new Map<string, string | null>();
    const steps = past && same && unlessRefused(() => bringBackSteps(sheet, past, { list: list.id, cues: numbers, channels, identity }));
    if (!steps || !cues) return;
    const range = cues.from === cues.to ? `Cue ${cues.from}` : `Cues ${cues.from} to ${cues.to}`;
    const words = `${range}${channels ? `, ${lightWords(channels)},` : ""} as in ${name}`;
    const edits: EditInput[] = [{ op: "steps", steps: [...steps], words }];
    considerEdits("history", edits);
  };
  const line = comparison?.lines.find((each) => each.list === list.id && (each.after ?? each.cue) === choice.cueEnd);
  return (
    <section aria-label="Bring back" className="flex flex-col gap-2.5">
      <h2 className="text-[17px] font-bold">{against === null ? "Then and now" : capital(`${name} and ${nameOf(against)}`)}</h2>
      {comparison && against === null && (
        <p className="text-quiet">
          Since {name}: {sentence(comparison.summary)}
        </p>
      )}
      {line && (
        <p>
          Cue <span className="figures">{line.after ?? line.cue}</span>: {line.words()}
        </p>
      )}
      <p className="border-t border-rule pt-2 font-bold">Bring back from {name}</p>
      {numbers.length === 0 && <p className="text-quiet">Choose cues in the table; chosen lights can come back alone.</p>}
      <div className="flex flex-wrap gap-1.5">
        <button type="button" className="btn btn-xs border-neutral" disabled={numbers.length === 0} onClick={() => consider()}>
          {numbers.length > 1 ? "These cues" : "This cue"}
        </button>
        <button
          type="button"
          className="btn btn-xs border-neutral"
          disabled={numbers.length === 0 || choice.channels.length === 0}
          title={
            choice.channels.length === 0 ? "Choose lights first, in the Score or by typing 5..8" : `${lightWords(choice.channels)} alone`
          }
          onClick={() => consider(choice.channels)}
        >
          The chosen lights in {numbers.length > 1 ? "them" : "it"}
        </button>
      </div>
      {then !== revision && comparison && <GoBack show={id} then={then} name={name} same={comparison.steps.length === 0} />}
    </section>
  );
}

interface GoBackProps {
  readonly show: number;
  readonly then: number;
  readonly name: string;
  /** The show is like that now. */
  readonly same: boolean;
}

/** Makes the whole show what it was: an edit that can be taken back. What it does is what the table shows, the other way round. */
function GoBack({ show, then, name, same }: GoBackProps) {
  const client = useQueryClient();
  const goBack = async (): Promise<void> => {
    const gesture = currentGesture();
    try {
      await enqueue(async () => receiveEdit(client, await api.goBack(show, then, gesture)));
      notify(`The show is as it was: ${name}. Undo takes that back`, "word", { of: "step" });
    } catch (error) {
      tellRefused(error, { show, words: () => `Go back to ${name}` });
    }
  };
  return (
    <div className="border-t border-rule pt-2">
      <p className="text-quiet">
        {same
          ? "The show is like that now."
          : "Or everything: the whole show becomes what it was then, rig and palettes too. What changes is what the table shows. It can be taken back."}
      </p>
      <ActionButton className="btn btn-xs mt-1.5 border-neutral" disabled={same} onAct={goBack}>
        Go back to {name}
      </ActionButton>
    </div>
  );
}

/** The cues of a range by the numbers that they have now or had then. */
function numbersIn(now: ShowSheet, then: ShowSheet, list: string, { from, to }: { from: string; to: string }): string[] {
  const inside = (number: string): boolean => cueOrder(number) >= cueOrder(from) && cueOrder(number) <= cueOrder(to);
  const all = [now, then].flatMap((sheet) => sheet.lists.get(list)?.cues.map((cue) => cue.number) ?? []);
  return [...new Set(all.filter(inside))];
}
