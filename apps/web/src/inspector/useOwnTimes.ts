import { type Curve, type EditInput, type Family, type KeySelection, delaysWithin } from "@zm/core";
import { useState } from "react";
import { considerEdits, dropDraft, useDraft } from "../choice/draft.ts";
import type { Lens } from "../choice/sheetView.ts";
import { readFactor } from "../shared/readNumber.ts";
import { readSpread } from "../shared/readSpread.ts";

/** The chosen cells whose stored moves are spoken of. */
export interface OwnTimesCells {
  readonly list: string;
  readonly cues: { readonly from: string; readonly to: string };
  readonly channels: readonly number[];
  /** The attributes chosen of an opened light; undefined: all. */
  readonly attributes: readonly string[] | undefined;
  readonly lens: Lens;
}

interface Wish {
  readonly fade: string;
  readonly delay: string;
  readonly curve: Curve | null;
}

/** What the fields for own times say, as a draft: each change of one is considered with what the others say. */
export function useOwnTimes({ list, cues, channels, attributes, lens }: OwnTimesCells) {
  const [wish, setWish] = useState<Wish>({ fade: "", delay: "", curve: null });
  const [factor, setFactor] = useState("");
  const [family, setFamily] = useState<Family | undefined>(lens === "times" ? undefined : lens);
  const lights = { channels: [...channels] };
  const keys: KeySelection = { ...lights, ...(attributes ? { attributes: [...attributes] } : family ? { families: [family] } : {}) };
  const consider = (edit: TimesEdit | null): void => void considerEdits("cells", edit && [edit]);
  return {
    wish,
    factor,
    family,
    change: (fields: Partial<Wish>): void => {
      const next = { ...wish, ...fields };
      setWish(next);
      consider(timesEdit({ list, ...cues, keys }, next));
    },
    /** The delays that let the fade that stands there end one light behind the other within a time. */
    within: (total: number): boolean => {
      const fade = readSpread(wish.fade);
      const delay = typeof fade === "number" ? delaysWithin(fade, total) : undefined;
      if (delay === undefined) return false;
      const next = { ...wish, delay: String(delay) };
      setWish(next);
      consider(timesEdit({ list, ...cues, keys }, next));
      return true;
    },
    scale: (text: string): void => {
      setFactor(text);
      const scale = readFactor(text);
      consider(scale === undefined ? null : { op: "setMoveTimes", list, ...cues, keys, scale });
    },
    clear: (): void => consider({ op: "setMoveTimes", list, ...cues, keys, fade: null, delay: null, curve: null }),
    pace: (id: string): void => consider({ op: "setMoveTimes", list, ...cues, keys: lights, pace: id }),
    pickFamily: (picked: Family | undefined): void => {
      setFamily(picked);
      // A value that is typed for the same cells stays.
      if (useDraft.getState().operation === null) dropDraft();
    },
  };
}

type TimesEdit = Extract<EditInput, { op: "setMoveTimes" }>;

/** The edit that the fields say; null while they say nothing that reads. */
function timesEdit(range: Omit<TimesEdit, "op">, wish: Wish): TimesEdit | null {
  const [fade, delay] = [readSpread(wish.fade), readSpread(wish.delay)];
  if (fade === undefined || delay === undefined || (fade === null && delay === null && !wish.curve)) return null;
  return {
    op: "setMoveTimes",
    ...range,
    ...(fade === null ? {} : { fade }),
    ...(delay === null ? {} : { delay }),
    ...(wish.curve ? { curve: wish.curve } : {}),
  };
}
