import { useState } from "react";
import { type PickStart, closePick } from "../shared/dialogs.ts";
import { lightSpans } from "../shared/words.ts";
import { findRow, freeNumberAfter, type ListSheet } from "@zm/core";
import { useList, useShow } from "../show/useShow.ts";
import { CellsFields } from "./CellsFields.tsx";
import { CopyFields } from "./CopyFields.tsx";
import { PairFields } from "./PairFields.tsx";
import { RecastFields } from "./RecastFields.tsx";
import { Question } from "../shared/Question.tsx";
import { CuesAnswer } from "./fields.tsx";
import { type RecastEntry, lackedBy, recastSentence } from "./recast.ts";
import { type CellsEntry, type CopyEntry, type SwapEntry, cellsSentence, copySentence, splitSentence, swapSentence } from "./sentences.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { Picker } from "./Picker.tsx";

const TITLES: Readonly<Record<PickStart["kind"], string>> = {
  recast: "Who does it instead",
  swap: "Palettes for others",
  copy: "Copy cues",
  move: "Move cues",
  split: "Split off",
  cells: "Moves to other cues",
};

/** A form in place of a typed sentence: what it would do stands below as it is filled, and the sentence itself. */
export function PickDrawer({ pick }: { pick: PickStart }) {
  switch (pick.kind) {
    case "recast":
      return <RecastPicker pick={pick} />;
    case "swap":
      return <SwapPicker pick={pick} />;
    case "copy":
    case "move":
      return <CopyPicker kind={pick.kind} pick={pick} />;
    case "split":
    case "cells":
      return <CellsPicker kind={pick.kind} pick={pick} />;
  }
}

/** The number of the first cue that is free behind some cues. */
function freeBehind(list: ListSheet, { to }: PickStart["cues"]): string {
  return freeNumberAfter(list, findRow(list, to)) ?? "";
}

function RecastPicker({ pick: { cues, channels } }: { pick: PickStart }) {
  const { sheet } = useShow();
  const list = useList();
  const half = channels.length > 1 ? Math.ceil(channels.length / 2) : channels.length;
  const [entry, setEntry] = useState<RecastEntry>({
    cues,
    everywhere: false,
    lights: lightSpans(channels.slice(0, half)),
    as: lightSpans(channels.slice(half)),
    how: "replace",
    where: "look",
    after: "restore",
    map: {},
    missing: "",
  });
  return (
    <Picker onClose={closePick} title={TITLES.recast} text={recastSentence(entry, lackedBy(sheet, list, entry))}>
      <RecastFields entry={entry} onChange={(change) => setEntry({ ...entry, ...change })} />
    </Picker>
  );
}

function SwapPicker({ pick: { cues } }: { pick: PickStart }) {
  const [entry, setEntry] = useState<SwapEntry>({ cues, everywhere: false, pairs: [{ palette: "", as: "" }], leave: false });
  const change = (fields: Partial<SwapEntry>): void => setEntry({ ...entry, ...fields });
  return (
    <Picker onClose={closePick} title={TITLES.swap} text={swapSentence(entry)}>
      <CuesAnswer
        cues={entry.cues}
        everywhere={entry.everywhere}
        onEverywhere={(everywhere) => change({ everywhere })}
        onTake={(next) => change({ cues: next })}
      />
      <Question wide name="palettes">
        <PairFields pairs={entry.pairs} onChange={(pairs) => change({ pairs })} />
      </Question>
      <Question wide name="what has no value">
        <Toggle pressed={!entry.leave} onClick={() => change({ leave: false })}>
          refuses it
        </Toggle>
        <Toggle pressed={entry.leave} onClick={() => change({ leave: true })}>
          stays as it is
        </Toggle>
      </Question>
    </Picker>
  );
}

function CopyPicker({ kind, pick: { cues } }: { kind: "copy" | "move"; pick: PickStart }) {
  const list = useList();
  const [entry, setEntry] = useState<CopyEntry>({
    cues,
    what: "look",
    start: freeBehind(list, cues),
    list: "",
    keep: true,
    recolour: [],
  });
  return (
    <Picker onClose={closePick} title={TITLES[kind]} text={copySentence(kind, entry)}>
      <CopyFields kind={kind} entry={entry} onChange={(change) => setEntry({ ...entry, ...change })} />
    </Picker>
  );
}

function CellsPicker({ kind, pick: { cues, channels } }: { kind: "split" | "cells"; pick: PickStart }) {
  const list = useList();
  const next = list.cues[findRow(list, cues.to) + 1]?.number ?? "";
  const [entry, setEntry] = useState<CellsEntry>({
    cues,
    lights: lightSpans(channels),
    family: "",
    to: kind === "split" ? freeBehind(list, cues) : next,
    as: "",
    what: "copy",
  });
  return (
    <Picker onClose={closePick} title={TITLES[kind]} text={kind === "split" ? splitSentence(entry) : cellsSentence(entry)}>
      <CellsFields kind={kind} entry={entry} onChange={(change) => setEntry({ ...entry, ...change })} />
    </Picker>
  );
}
