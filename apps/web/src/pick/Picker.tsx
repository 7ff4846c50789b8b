import { useEffect, useRef } from "react";
import { makeConsidered, useDraft } from "../choice/draft.ts";
import { putLine } from "../choice/lineText.ts";
import { chooseNamed } from "../choice/selection.ts";
import { DraftImpact } from "../preview/DraftImpact.tsx";
import { usePreview } from "../preview/usePreview.ts";
import { Drawer, DrawerButtons } from "../shared/Drawer.tsx";
import { useMakeEdits } from "../show/useShow.ts";
import { usePicked } from "./usePicked.ts";

const FILL = "Fill in the questions above: what it would do stands here before it is made.";

interface PickerProps {
  title: string;
  /** The sentence that it would be; empty while it is not whole. */
  text: string;
  /** What is still to be filled in, while nothing is considered. */
  wanting?: string;
  /** Puts it away; it is put away when it was made. */
  onClose: () => void;
  /** Stays open when it was made, and is told so. */
  onMade?: () => void;
  children: React.ReactNode;
}

/** The frame of every picker: its questions, what it would do, the sentence that says the same, and the press that makes it. */
export function Picker({ title, text, wanting = FILL, onClose, onMade = onClose, children }: PickerProps) {
  const picked = usePicked(text);
  const result = usePreview();
  const makeEdits = useMakeEdits();
  const textNow = useRef(text);
  useEffect(() => {
    textNow.current = text;
  }, [text]);
  const preview = picked && "request" in picked && result && "lines" in result ? result : null;
  const fault = picked && "fault" in picked ? picked.fault : picked && result && "fault" in result ? result.fault : null;
  const make = async (): Promise<void> => {
    const { draft } = useDraft.getState();
    if (!draft || draft.from !== "pick" || !picked || !("request" in picked)) return;
    chooseNamed(picked.request);
    // It stays until it is made, as it was filled; refused, its impact stands there again.
    await makeConsidered(draft, async (edits) => {
      const made = await makeEdits(edits);
      if (made && textNow.current === text) onMade();
      return made;
    });
  };
  return (
    <Drawer label={title} onSubmit={make} onClose={onClose}>
      {children}
      <section aria-label="What it changes" className="flex min-h-24 shrink-0 flex-col gap-1 border-t border-rule pt-2">
        <h3 className="font-bold">What it changes</h3>
        {fault !== null && (
          <p role="alert" className="text-error">
            {fault}
          </p>
        )}
        {picked === null && <p className="text-quiet">{wanting}</p>}
        {preview && <DraftImpact preview={preview} saysWhat />}
      </section>
      {text !== "" && (
        <p className="flex shrink-0 items-center gap-2">
          <code className="figures min-w-0 flex-1 text-[13px] break-words text-quiet" data-testid="pick-sentence">
            {text}
          </code>
          <button
            type="button"
            className="btn btn-xs border-neutral font-normal"
            title="Puts this sentence into the line entry"
            onClick={() => {
              onClose();
              putLine(text);
            }}
          >
            To the line
          </button>
        </p>
      )}
      <DrawerButtons word="Make it" ready={preview !== null && !preview.changesNothing} onClose={onClose} />
    </Drawer>
  );
}
