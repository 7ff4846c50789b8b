import { cueOrder, firstRowFrom, isCueNumber, reportImpact, sceneAt } from "@zm/core";
import { closeDrawer } from "../choice/sheetView.ts";
import { useMemo, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { ImpactList, useAllLines } from "../preview/ImpactList.tsx";
import { linesOf } from "../preview/preview.ts";
import { useShow } from "../show/useShow.ts";
import { Drawer, DrawerButtons } from "../shared/Drawer.tsx";
import { Fires, ForHowLong, FromWhat, HowFast, IntoWhat, KeptChoices, NoteOf, WhichOfIt } from "./RecordQuestions.tsx";
import { type RecordEntry, freshEntry } from "./recordEntry.ts";
import { makeFromDrawer, refusedIn } from "./refused.ts";
import { useRecordPreview } from "./useRecordPreview.ts";
import { useRecording } from "../show/hand/useRecording.ts";

/** Recording, in the order of its own questions; what will happen stands at the top, in one sentence, before it does. */
export function RecordDrawer() {
  const { id, sheet } = useShow();
  const recording = useRecording();
  const [first] = useState(() => refusedIn(id).record ?? freshEntry(recording.next ?? ""));
  const form = useForm<RecordEntry>({ values: first });
  const entry = useWatch({ control: form.control, compute: (all: RecordEntry) => all });
  const { cue } = entry;
  const { preview, known, times } = useRecordPreview(entry, recording);
  const { list, make, warningFor } = recording;
  const warning = isCueNumber(cue) ? warningFor(cue) : undefined;
  const { all, onAll, mostLines } = useAllLines();
  const report = useMemo(() => {
    if (!("outcome" in preview)) return null;
    const others = reportImpact(sheet, preview.outcome, list.id).lines.filter((line) => line.cue !== cue);
    return { count: others.length, lines: linesOf(others, list, preview.outcome, mostLines) };
  }, [preview, sheet, list, cue, mostLines]);
  const row = isCueNumber(cue) ? firstRowFrom(list, cueOrder(cue)) : list.cues.length;
  const within = known?.scene ? undefined : sceneAt(list, row - 1)?.scene;
  const ready = "planned" in preview && preview.outcome.steps.length > 0;
  return (
    <Drawer
      onClose={closeDrawer}
      label="Record"
      onSubmit={() => ready && makeFromDrawer(id, "record", { record: entry }, () => make(preview.planned))}
    >
      <p
        role="status"
        data-testid="record-sentence"
        className={`sticky -top-2 z-10 rounded border bg-base-200 px-3 py-1.5 ${"fault" in preview ? "border-error text-error" : "border-secondary"}`}
      >
        {"fault" in preview ? preview.fault : `${preview.sentence}.`}
      </p>
      {warning && (
        <p role="alert" className="rounded border border-error px-3 py-1 text-[13px] text-error">
          {warning}.
        </p>
      )}
      <FromWhat entry={entry} set={form.setValue} />
      <WhichOfIt entry={entry} set={form.setValue} />
      <IntoWhat form={form} entry={entry} known={known} within={within} recording={recording} />
      <ForHowLong entry={entry} set={form.setValue} />
      <HowFast
        entry={entry}
        set={form.setValue}
        times={times}
        stored={known?.parts.find((each) => each.number === Number(entry.part || 1))}
        start={recording.start}
        list={list}
        row={row}
      />
      <Fires entry={entry} set={form.setValue} stored={known?.trigger} before={list.cues[row - 1]?.number} />
      <NoteOf entry={entry} set={form.setValue} stored={known?.note} />
      <KeptChoices form={form} entry={entry} />
      {report && report.count > 0 && (
        <ImpactList
          label="Other cues"
          lines={report.lines}
          count={report.count}
          all={all}
          onAll={onAll}
          className="border-t border-rule pt-2"
        />
      )}
      <DrawerButtons onClose={closeDrawer} word={isCueNumber(cue) ? `Record ${cue}` : "Record"} ready={ready} />
    </Drawer>
  );
}
