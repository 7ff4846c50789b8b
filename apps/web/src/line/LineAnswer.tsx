import { count, heldWords } from "@zm/core";
import { useSelection } from "../choice/selection.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useHand } from "../show/handStore.ts";
import { useLastEdit } from "../show/lastEdit.ts";
import { useLastPress } from "../show/lastPress.ts";
import { useWaiting } from "../show/queue.ts";
import type { Completions } from "./useCompletions.ts";
import type { Read } from "./readText.ts";
import type { Answer } from "./requests/kind.ts";

interface LineAnswerProps {
  readonly read: Read;
  /** What the line would do, where it reads as something. */
  readonly answer: Answer | null;
  readonly completions: Completions;
}

/** Beside the line: what is wrong with it, what it would do, or what was done last. */
export function LineAnswer({ read, answer, completions }: LineAnswerProps) {
  const waiting = useWaiting();
  return (
    <p id="line-answer" role="status" className="line-clamp-2 max-w-[46rem] shrink-0 text-[13px] leading-[17px] text-quiet">
      {read && "fault" in read ? (
        isUnfinished(read, completions) ? (
          <>Tab: {completions.next}</>
        ) : (
          <span className="text-error">{read.fault.message}</span>
        )
      ) : answer ? (
        <span className={answer.fault ? "text-error" : "text-base-content"}>{answer.text}</span>
      ) : waiting > 0 ? (
        <span className="text-base-content">Storing {count(waiting, "change")} …</span>
      ) : (
        <Standing />
      )}
    </p>
  );
}

/** True for a line of which only the last word is not whole yet. */
export function isUnfinished(read: Read, { offered, from }: Completions): boolean {
  return read !== null && "fault" in read && offered.length > 0 && read.fault.at >= from;
}

function Standing() {
  const channels = useSelection((choice) => choice.channels);
  const held = useHand((state) => state.hand.held);
  const names = Object.keys(held);
  const dropped = useHand((state) => Object.keys(state.hand.dropped).length);
  const edited = useLastEdit((state) => state.edit?.words);
  const pressed = useLastPress((state) => state.words);
  const last = pressed === null ? edited : pressed === "" ? undefined : pressed;
  const { change } = useHandChange();
  const chosen = channels.length === 0 ? "nothing chosen" : `${count(channels.length, "light")} chosen`;
  return (
    <>
      {last !== undefined && <span className="text-base-content">{last}. </span>}
      {chosen}, in hand: {names.length === 0 ? "nothing" : heldWords(names)}
      {names.length === 0 && dropped > 0 && (
        <button
          type="button"
          className="btn btn-xs ml-2 border-neutral font-normal"
          title={`${dropped} ${dropped === 1 ? "value was" : "values were"} dropped last`}
          onClick={() => change({ do: "restoreDropped" })}
        >
          Take up again
        </button>
      )}
    </>
  );
}
