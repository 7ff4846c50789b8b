import type { EditInput } from "@zm/core";
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { considerEdits } from "../choice/draft.ts";
import { useOpenOther } from "../file/useImport.ts";
import { useOnce } from "../shared/ActionButton.tsx";
import { FaultList } from "../shared/FaultList.tsx";
import { SelectField } from "../shared/SelectField.tsx";
import { VirtualList } from "../shared/VirtualList.tsx";
import { nextFrame } from "../shared/nextFrame.ts";
import { notify, tellTrouble } from "../shared/notices.ts";
import { showsQuery } from "../show/openShow.ts";
import type { Brought } from "./exchangeThread.ts";
import { RemarkList } from "./RemarkList.tsx";
import { useReading } from "./useReading.ts";

interface BroughtFilesProps {
  readonly files: readonly File[];
  /** The show that is open; null where there is none. */
  readonly show: number | null;
  /** Other files are chosen in place of these. */
  readonly onOthers: () => void;
  readonly onClose: () => void;
}

/** Files that were read: what they make and ask, what stays behind, and the two ways on. */
export function BroughtFiles({ files, show, onOthers, onClose }: BroughtFilesProps) {
  const { brought, busy, wishes, answer, thread } = useReading(files, show);
  const { consider, makeShow, making } = useWaysOn(files, show, thread, onClose);
  if (!brought)
    return (
      <p role="status" className="text-quiet">
        Reading … <progress className="progress ml-2 w-40" aria-label="Reading the file" />
      </p>
    );
  if ("faults" in brought)
    return (
      <div role="alert">
        <p className="text-error">Nothing was brought in.</p>
        <FaultList faults={brought.faults} />
        <button type="button" className="btn btn-sm btn-primary mt-4" onClick={onOthers}>
          Choose others …
        </button>
      </div>
    );
  const { edits, makesShow, refused } = brought;
  const canConsider = show !== null && edits !== null && edits > 0 && refused.length === 0;
  return (
    <>
      <div aria-busy={busy} className={`grid min-h-0 flex-1 grid-cols-[2fr_3fr] gap-6 ${busy ? "opacity-60" : ""}`}>
        <div className="flex min-h-0 flex-col gap-3">
          {brought.questions.length > 0 && (
            <section aria-label="What it leaves open" className="flex max-h-72 shrink-0 flex-col gap-2 overflow-y-auto">
              <h3 className="text-[13px] font-bold text-quiet">What it leaves open</h3>
              {brought.questions.map(({ id, words, answers }) => (
                <label key={id} className="text-[13px] text-quiet">
                  {words}
                  <SelectField
                    label={words}
                    value={wishes[id] ?? answers[0]?.id ?? ""}
                    options={answers.map((each) => [each.id, each.words] as const)}
                    onTake={(taken) => answer(id, taken)}
                  />
                </label>
              ))}
            </section>
          )}
          <Made brought={brought} />
          {refused.length > 0 && (
            <div role="alert" className="text-error">
              It cannot go into this show so:
              <FaultList faults={refused} />
            </div>
          )}
        </div>
        <section className="flex min-h-0 flex-col gap-1" aria-label="What does not come along">
          <h3 className="text-[13px] font-bold text-quiet">What does not come along</h3>
          <RemarkList
            label="What does not come along"
            remarks={brought.remarks}
            more={brought.more.remarks}
            nothing="All that the file says comes along."
          />
        </section>
      </div>
      <div className="flex items-center justify-end gap-2">
        <span className="flex-1 text-quiet">{brought.format}</span>
        <button type="button" className="btn btn-ghost btn-sm font-normal" onClick={onOthers}>
          Choose others …
        </button>
        <button type="button" className="btn btn-sm btn-outline border-neutral" onClick={onClose}>
          Not now
        </button>
        {makesShow && (
          <button
            type="button"
            className={`btn btn-sm ${canConsider ? "btn-outline border-neutral" : "btn-primary"}`}
            disabled={busy}
            aria-busy={making}
            onClick={makeShow}
          >
            Make a new show of it
          </button>
        )}
        {show !== null && edits !== null && (
          <button type="button" className="btn btn-sm btn-primary" disabled={busy || !canConsider} onClick={consider}>
            Show what that does here
          </button>
        )}
      </div>
    </>
  );
}

function Made({ brought: { made, more } }: { brought: Exclude<Brought, { faults: unknown }> }) {
  return (
    <section className="flex min-h-0 flex-1 flex-col gap-1" aria-label="What it makes">
      <h3 className="text-[13px] font-bold text-quiet">What it makes</h3>
      <VirtualList label="What it makes" lines={made} heightOf={() => 24}>
        {(words) => <p className="py-0.5 pr-2 leading-5 break-words">{words}</p>}
      </VirtualList>
      {more.made > 0 && <p className="text-quiet">and {more.made} more</p>}
    </section>
  );
}

/** The two ways on: as edits of the show that is open, seen with their impact first, or as a show of its own. */
function useWaysOn(files: readonly File[], show: number | null, thread: ReturnType<typeof useReading>["thread"], onClose: () => void) {
  const navigate = useNavigate();
  const openOther = useOpenOther();
  const client = useQueryClient();
  const names = files.map(({ name }) => name).join(", ");
  const [consider] = useOnce(async () => {
    try {
      const edits: readonly EditInput[] = JSON.parse((await thread.current?.edits()) ?? "[]");
      // Very many edits are worked on in several turns, so that the window stands still in none of them.
      await nextFrame();
      const view = edits.every(({ op }) => op === "setText") ? "book" : edits.some((edit) => "list" in edit) ? "score" : "rig";
      const there = `/show/${show}/${view}`;
      if (location.pathname !== there) void navigate(there);
      await nextFrame();
      considerEdits(view === "rig" ? "rig" : "history", edits);
      onClose();
      notify(`${names}: seen with what it changes, and not made yet. Make it or drop it at the right`);
    } catch (error) {
      tellTrouble(error);
    }
  });
  const [makeShow, making] = useOnce(async () => {
    try {
      const id = await thread.current?.makeShow(`${Date.now().toString(36)}-bring`);
      await client.invalidateQueries({ queryKey: showsQuery.queryKey });
      onClose();
      if (id !== undefined) openOther(id);
      notify(`${names} is a show of its own now; it is the one you see`);
    } catch (error) {
      tellTrouble(error);
    }
  });
  return { consider, makeShow, making };
}
