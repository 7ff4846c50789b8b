import { Suspense, useEffect, useRef } from "react";
import { useMatch } from "react-router";
import { findRow } from "@zm/core";
import { useDraft } from "../choice/draft.ts";
import { chosenCues, useSelection } from "../choice/selection.ts";
import { useSheetView } from "../choice/sheetView.ts";
import { useList } from "../show/useShow.ts";
import { lazyPart } from "../shared/lazyPart.ts";
import { RigPanel } from "../rig/RigPanel.tsx";
import { CarriesField } from "./CarriesField.tsx";
import { LastEditPanel } from "./LastEditPanel.tsx";
import { CueInspector } from "./CueInspector.tsx";
import { WordHint } from "../shared/WordHint.tsx";
import { CueTools } from "./CueTools.tsx";
import { DraftPanel } from "./DraftPanel.tsx";
import { RangeEdit } from "./RangeEdit.tsx";
import { RangeTimes } from "./RangeTimes.tsx";
import { MarkStory } from "../planner/MarkStory.tsx";
import { ValueStory } from "./ValueStory.tsx";
import { useShallow } from "zustand/react/shallow";

const BringBack = lazyPart(async () => (await import("../past/BringBack.tsx")).BringBack);
const PlannerPanel = lazyPart(async () => (await import("../planner/PlannerPanel.tsx")).PlannerPanel);
const BookPanel = lazyPart(async () => (await import("../book/BookPanel.tsx")).BookPanel);
const GivePanel = lazyPart(async () => (await import("../give/GivePanel.tsx")).GivePanel);

/**
 * What is chosen, at the right edge: the cue with its times and parts, or the cells with what can be done to them; on the
 * Stage, what the chosen lights are told.
 */
export function Inspector({ view }: { view: "cue" | "stage" | "stageBlind" | "rig" | "check" | "history" | "planner" | "book" }) {
  const drafted = useDraft(({ draft }) => draft !== null && ["line", "rig", "check", "history", "planner", "book"].includes(draft.from));
  const rehearsal = useMatch("/show/:id/check/rehearsal") !== null;
  const tab = useMatch("/show/:id/rig/:tab")?.params.tab ?? "lights";
  const lightsChosen = useSelection(({ channels }) => channels.length > 0);
  // The other tabs of the rig have all that they say beside what is chosen in them, and what was seen in a rehearsal beside its moment.
  if (!drafted && ((view === "rig" && tab !== "lights") || (view === "check" && rehearsal))) return null;
  // Where room is short, a column that would only say what comes into it leaves it to the view.
  const onlySays = !drafted && ((view === "rig" && !lightsChosen) || view === "check");
  return (
    <aside
      aria-label="Inspector"
      tabIndex={0}
      className={`${onlySays ? "max-[1199px]:hidden" : ""} flex h-full w-[266px] shrink-0 flex-col gap-4 overflow-y-auto border-l [overflow-anchor:none] border-rule bg-base-200 px-4 py-4`}
    >
      {drafted && <DraftPanel />}
      {(view === "stage" || view === "stageBlind") && (
        <Suspense fallback={null}>
          <GivePanel blind={view === "stageBlind"} />
        </Suspense>
      )}
      {view === "rig" && tab === "lights" && <RigPanel />}
      {view === "check" && !drafted && <p className="text-quiet">What mends a finding is shown here with its impact, before it is made.</p>}
      {view === "history" && (
        <Suspense fallback={null}>
          <BringBack />
        </Suspense>
      )}
      {view === "planner" && (
        <Suspense fallback={null}>
          <PlannerPanel />
        </Suspense>
      )}
      {view === "book" && (
        <Suspense fallback={null}>
          <BookPanel />
          <LastEditPanel />
        </Suspense>
      )}
      {view === "cue" && <ChosenCue />}
    </aside>
  );
}

function ChosenCue() {
  const list = useList();
  const choice = useSelection(useShallow(({ cue, cueEnd, channels }) => ({ cue, cueEnd, channels })));
  const considers = useDraft(({ draft }) => draft !== null && draft.from !== "times" && draft.from !== "cue");
  const retimes = useDraft(({ draft }) => draft?.from === "times");
  const drawn = useSheetView(({ under }) => under === "times");
  const cues = chosenCues(choice);
  const row = choice.cueEnd === null ? -1 : findRow(list, choice.cueEnd);
  const one = cues !== null && cues.from === cues.to && row >= 0;
  return (
    <>
      {retimes && drawn && <TimesImpact now />}
      {cues && choice.channels.length > 0 && <RangeEdit list={list} cues={cues} />}
      {one && choice.channels.length === 1 && choice.channels[0] !== undefined && (
        <>
          <ValueStory list={list} row={row} channel={choice.channels[0]} />
          <MarkStory list={list} row={row} channel={choice.channels[0]} />
        </>
      )}
      {cues && !one && <CarriesField list={list} cues={cues} />}
      {cues && !one && <RangeTimes key={`${cues.from}/${cues.to}`} list={list} cues={cues} />}
      {cues && !one && choice.channels.length === 0 && <RangeDraft />}
      {cues && <CueTools list={list} cues={cues} channels={choice.channels} />}
      {one && !considers && <CueInspector key={`${list.id}/${choice.cueEnd}`} list={list} row={row} />}
      {retimes && !drawn && <TimesImpact />}
      <LastEditPanel />
      {!cues && <WordHint word="spine" />}
      {!cues && (
        <p className="text-quiet">
          Choose a cue in the spine, or draw a frame around cells in the sheet. Arrow keys walk, shift widens.{" "}
          <kbd className="kbd kbd-xs">/</kbd> takes you to the line entry.
        </p>
      )}
    </>
  );
}

/** The impact of times under consideration. Below the picture whose bars are dragged it comes in sight when the bar is let go. */
function TimesImpact({ now = false }: { now?: boolean }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const show = (): void => {
      place.current?.scrollIntoView({ block: "nearest" });
    };
    if (now) {
      show();
      return;
    }
    window.addEventListener("pointerup", show, { once: true });
    return () => window.removeEventListener("pointerup", show);
  }, [now]);
  return (
    <div ref={place}>
      <DraftPanel />
    </div>
  );
}

/** What is being thought about for whole cues, where no cells show it already. */
function RangeDraft() {
  const drafted = useDraft(({ draft }) => draft?.from === "cells");
  return drafted ? <DraftPanel /> : null;
}
