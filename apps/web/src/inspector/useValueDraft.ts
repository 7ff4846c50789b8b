import { type Attribute, type EditInput, type Family, type KeySelection, type ListSheet, type Operation, readOperation } from "@zm/core";
import { useEffect, useEffectEvent, useState } from "react";
import { lensKeys } from "../cells/cells.ts";
import { chooseAfter, considerOperation, considerOperationEdits, makeConsidered, useDraft } from "../choice/draft.ts";
import { useSelection } from "../choice/selection.ts";
import { faultOf } from "../preview/preview.ts";
import { useAfterRange } from "../preview/useAfterRange.ts";
import { focusOn } from "../shared/focusPlaces.ts";
import { useSame } from "../shared/useSame.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";

/** The chosen cells of a family: cues, and the attributes chosen of an opened light, where any are. */
export interface ChosenCells {
  readonly list: ListSheet;
  readonly cues: { readonly from: string; readonly to: string };
  readonly lens: Family;
  readonly only: readonly string[] | undefined;
}

/** How a level is read where none of the chosen lights can do what the lens shows. */
const LEVEL_LIMITS: Pick<Attribute, "min" | "max" | "slots"> = { min: 0, max: 100 };

/** What is typed, or pressed, over the chosen cells, as a draft of one edit: which attribute, which value, on looks or on stored moves, and along what a fan runs. */
export function useValueDraft({ list, cues, lens, only }: ChosenCells) {
  const { sheet } = useShow();
  const channels = useSelection((selection) => selection.channels);
  const operation = useDraft((considered) => considered.operation);
  const draft = useDraft((considered) => considered.draft);
  const after = useAfterRange();
  const makeEdits = useMakeEdits();
  const [picked, setPicked] = useState("");
  const [text, setText] = useState("");
  const [stored, setStored] = useState(false);
  const [along, setAlong] = useState(false);
  const able = new Map(channels.flatMap((channel) => lensKeys(list, channel, lens).map(({ attribute: each }) => [each.id, each])));
  const attributes = [...able.keys()].filter((each) => only?.includes(each) ?? true);
  const attribute = attributes.includes(picked) ? picked : (attributes[0] ?? "");
  const limits = able.get(attribute) ?? LEVEL_LIMITS;
  const read = (typed: string): Operation | null => readOperation(typed, limits);
  const isFan = operation !== null && "set" in operation && typeof operation.set === "string";
  const edits = useSame<EditInput[] | null>(
    operation && [
      {
        op: "change",
        list: list.id,
        ...cues,
        keys: keysOf(channels, lens, operation, attribute, only),
        do: operation,
        where: stored ? "moves" : "look",
        after,
        ...(along && isFan ? { along: "cues" } : {}),
      },
    ],
  );
  useEffect(() => {
    if (edits) considerOperationEdits(edits);
  }, [edits]);
  // Taken or dropped elsewhere; a text that only does not read yet stays.
  const clearTaken = useEffectEvent(() => {
    if (read(text)) setText("");
    // What was chosen for one edit is not meant for the next.
    chooseAfter(null);
  });
  useEffect(() => {
    if (operation === null) clearTaken();
  }, [operation]);

  const type = (value: string): void => {
    setText(value);
    const wanted = read(value);
    considerOperation(wanted);
  };
  const make = (): void => {
    if (!draft || faultOf(sheet, draft.edits) !== undefined) return;
    const typed = text;
    focusOn("score");
    void makeConsidered(draft, makeEdits, () => setText(typed));
  };
  const isNonsense = text.trim() !== "" && read(text) === null;
  return {
    attributes,
    attribute,
    setPicked,
    slots: limits.slots,
    text,
    type,
    isNonsense,
    make,
    after,
    stored,
    setStored,
    isFan,
    along,
    setAlong,
  };
}

/** A number speaks of the chosen attribute, anything else of the whole family, or of the attributes chosen of an opened light. */
function keysOf(
  channels: readonly number[],
  lens: Family,
  operation: Operation,
  attribute: string,
  only: readonly string[] | undefined,
): KeySelection {
  const isNumber = "set" in operation || "add" in operation || "scale" in operation;
  if (isNumber && lens !== "intensity") return { channels: [...channels], attributes: [attribute] };
  return { channels: [...channels], ...(only && !("palette" in operation) ? { attributes: [...only] } : { families: [lens] }) };
}
