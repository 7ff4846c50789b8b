import { useShallow } from "zustand/react/shallow";
import type { ListSheet } from "@zm/core";
import { useDraft } from "../choice/draft.ts";
import { chosenCellAttributes, useSelection } from "../choice/selection.ts";
import { type Lens, useSheetView } from "../choice/sheetView.ts";
import { lightWords } from "../shared/words.ts";
import { lensKeys } from "../cells/cells.ts";
import { WaveEdit } from "../waves/WaveEdit.tsx";
import { OwnTimes } from "./OwnTimes.tsx";
import { DraftPanel } from "./DraftPanel.tsx";
import { ValueEdit } from "./ValueEdit.tsx";

interface RangeEditProps {
  list: ListSheet;
  cues: { from: string; to: string };
}

/** The chosen cells: what their moves are told, or in the Times lens when they run. */
export function RangeEdit({ list, cues }: RangeEditProps) {
  const selection = useSelection(useShallow(({ channels, attributes }) => ({ channels, attributes })));
  const { channels } = selection;
  const lens = useSheetView((view) => view.lens);
  const draft = useDraft((considered) => considered.draft);
  const attributes = chosenCellAttributes(selection);
  const family = familyShown(list, channels, attributes, lens);
  const cells = `${cues.from}/${cues.to}/${channels.join()}/${lens}/${attributes?.join()}`;
  return (
    <section aria-label="Chosen cells" className="flex flex-col gap-2.5">
      <div>
        <h2 className="text-[17px] font-bold">{cues.from === cues.to ? `Cue ${cues.from}` : `Cues ${cues.from} to ${cues.to}`}</h2>
        <p className="text-quiet">
          {lightWords(channels)}
          {attributes && `, ${attributes.join(", ")} alone`}
        </p>
      </div>
      {family !== "times" && <ValueEdit list={list} cues={cues} lens={family} only={attributes} />}
      {family !== "times" && (
        <WaveEdit
          key={`wave ${cells}`}
          list={list}
          cues={cues}
          keys={channels
            .flatMap((channel) => lensKeys(list, channel, family))
            .filter(({ attribute }) => attributes?.includes(attribute.id) ?? true)}
        />
      )}
      <OwnTimes key={cells} list={list.id} cues={cues} channels={channels} attributes={attributes} lens={lens} />
      {draft?.from === "cells" && <DraftPanel />}
    </section>
  );
}

/** The family that is edited: that of the attributes chosen of an opened light, else what the lens shows. */
function familyShown(list: ListSheet, channels: readonly number[], attributes: readonly string[] | undefined, lens: Lens): Lens {
  const [channel = -1] = channels;
  const first = attributes?.[0];
  if (first === undefined || lens === "times") return lens;
  return list.keys.byChannel.get(channel)?.get(first)?.attribute.family ?? lens;
}
