import type { Cue, Part, PartHead, Waves } from "../../show/schema.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { sameData } from "../../show/sameData.ts";
import { partHeadOf } from "../apply.ts";
import type { Step } from "../step.ts";

/** The step that gives a part other waves; none where they are the same. A part without any has no such field. */
export function wavesStep(list: string, cue: Cue, part: Part, waves: Waves): Step[] {
  const left = Object.fromEntries(Object.entries(waves).filter(([, attributes]) => Object.keys(attributes).length > 0));
  const before = partHeadOf(part);
  const { waves: _was, ...rest } = before;
  const after: PartHead = Object.keys(left).length > 0 ? { ...rest, waves: left } : rest;
  return sameData(before, after) ? [] : [{ at: "part", list, cue: cue.number, part: part.number, before, after }];
}

/** The steps by which the waves of a light become those of another number, or go with it (null). */
export function wavesRenamed(list: ListSheet, from: number, to: number | null): Step[] {
  return list.cues.flatMap((cue) =>
    cue.parts.flatMap((part) => {
      const { [from]: own, ...others } = part.waves ?? {};
      if (own === undefined) return [];
      return wavesStep(list.id, cue, part, to === null ? others : { ...others, [to]: own });
    }),
  );
}
