import { useEffect, useState } from "react";
import { useSelection } from "../choice/selection.ts";
import { setLine, targetNow, useLineText } from "../choice/lineText.ts";
import { usePreview } from "../preview/usePreview.ts";
import { placeRef } from "../shared/focusPlaces.ts";
import { useSame } from "../shared/useSame.ts";
import { RoleMark } from "../people/RoleMark.tsx";
import { useWhyNot } from "../show/me.ts";
import { useWaiting } from "../show/queue.ts";
import { useSheetNow, useShow } from "../show/useShow.ts";
import { answerTo } from "./answer.ts";
import { CompletionList } from "./CompletionList.tsx";
import { EditsLiveSwitch } from "./EditsLiveSwitch.tsx";
import { FaultMark } from "./FaultMark.tsx";
import { LineAnswer, isUnfinished } from "./LineAnswer.tsx";
import { LineTargetBadge } from "./LineTargetBadge.tsx";
import { readText } from "./readText.ts";
import { useCompletions } from "./useCompletions.ts";
import { useEnterLine } from "./useEnterLine.ts";
import { useLineDraft } from "./useLineDraft.ts";
import { useLineKeys } from "./useLineKeys.ts";
import { useLinePlanners } from "./useLinePlanners.ts";
import { useLineRequest } from "./useLineRequest.ts";

/** The one place for keyboard entry: what is typed is completed, read back with its impact, and Enter makes it. `blind`: the view edits cues, not the stage. */
export function LineEntry({ blind }: { blind: boolean }) {
  const show = useShow();
  const sheetNow = useSheetNow();
  const { text, began } = useLineText();
  const standing = useSame({ ...targetNow(), blind });
  const target = began ?? standing;
  useSelection((choice) => `${choice.cue}/${choice.cueEnd}/${choice.list}`);
  const waiting = useWaiting();
  const preview = usePreview();
  const planners = useLinePlanners();
  const enter = useEnterLine(useLineRequest(planners));
  const whyNotEdit = useWhyNot("edit");
  const [focused, setFocused] = useState(false);
  useEffect(() => useLineText.setState({ blind }), [blind]);

  const read = readText(text, target, show.sheet);
  const draft = useLineDraft(text, read);
  const type = (value: string): void => {
    setLine(value.replace(/^\/+/, ""));
    completions.dropPick();
    // At once, not behind the next painting: what it would do is computed meanwhile.
    draft(value, readText(value, useLineText.getState().began ?? target, sheetNow()));
  };
  const completions = useCompletions(text, focused, type);
  const { onKeyDown, onTyped } = useLineKeys({ text, completions, type, enter: () => enter(text, read, target) });
  const answer = read && "request" in read ? answerTo(read.request, show, preview, planners) : null;

  return (
    <div
      data-testid="line"
      data-waiting={waiting}
      className="relative flex h-11 shrink-0 items-center gap-3 border-t border-rule px-3 focus-within:border-secondary focus-within:bg-base-200"
    >
      <CompletionList completions={completions} />
      <LineTargetBadge target={target} />
      <label htmlFor="line-entry" className="sr-only">
        Line entry
      </label>
      <div className="relative min-w-0 flex-1">
        <input
          {...completions.combobox.getInputProps({
            ref: placeRef("line"),
            "aria-labelledby": undefined,
            onFocus: () => setFocused(true),
            onBlur: () => setFocused(false),
            onChange: ({ currentTarget }) => {
              onTyped();
              type(currentTarget.value);
            },
            onKeyDown,
          })}
          className="figures h-8 w-full bg-transparent px-1 text-[15px] placeholder:text-quiet focus-visible:outline-none"
          placeholder={blind ? "such as  #10..12: 21..26 + 10 only" : "such as  1..6 = 70"}
          spellCheck={false}
          aria-describedby="line-answer"
        />
        {read && "fault" in read && !isUnfinished(read, completions) && <FaultMark text={text} fault={read.fault} />}
      </div>
      {blind && whyNotEdit === null && <EditsLiveSwitch />}
      <RoleMark right="edit" words="edits nothing" />
      <LineAnswer read={read} answer={answer} completions={completions} />
    </div>
  );
}
