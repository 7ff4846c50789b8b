import { type ListSheet, type ShowSheet, listOf, readShow, sheetOf } from "../../src/index.ts";

/** A show over a rig of one mover (1) and one lamp (5), for cases written out by hand. */
export function smallShow(cues: readonly object[], marks: object = { policy: "before" }, fields: object = {}): ShowSheet {
  const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
  return sheetOf(
    readShow({
      format: "zealous-mark/show",
      version: 2,
      title: "Small",
      fixtureTypes: [
        {
          id: "mover",
          name: "Mover",
          attributes: [intensity, { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 90 }],
        },
        { id: "lamp", name: "Lamp", attributes: [intensity] },
      ],
      channels: [
        { number: 1, type: "mover" },
        { number: 5, type: "lamp" },
      ],
      lists: [{ id: "main", label: "Main", marks, cues }],
      ...fields,
    }),
  );
}

/** The list of such a show. */
export function smallList(cues: readonly object[], marks?: object): ListSheet {
  return listOf(smallShow(cues, marks));
}

/** A cue of one part. */
export function oneCue(number: string, moves: object, times: object = {}, fields: object = {}): object {
  return { number, ...fields, parts: [{ number: 1, times, moves }] };
}
