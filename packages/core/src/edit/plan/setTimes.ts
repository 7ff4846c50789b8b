import { ShowError } from "../../show/errors.ts";
import { type FamilyTimes, type Part, type PartTimes, TIMED_FAMILIES } from "../../show/schema.ts";
import { type ListSheet, cueAt } from "../../sheet/sheet.ts";
import { sameData } from "../../show/sameData.ts";
import { partHeadOf } from "../apply.ts";
import type { SetTimesEdit, TimesPatch } from "../schema/times.ts";
import type { Step } from "../step.ts";
import { eachRow } from "./rows.ts";

const PLAIN = ["up", "down", "upDelay", "downDelay"] as const;

/** The steps that set, clear or scale the times of parts over a range. Seconds. */
export function planSetTimes(list: ListSheet, edit: SetTimesEdit): Step[] {
  if ((edit.set === undefined) === (edit.scale === undefined))
    throw new ShowError("Times are either set or scaled; give one of set and scale");
  const cues = eachRow(list, edit.from, edit.to).map((row) => cueAt(list, row));
  const chosen = cues.flatMap((cue) =>
    cue.parts.filter((part) => edit.part === undefined || part.number === edit.part).map((part) => ({ cue, part })),
  );
  if (chosen.length === 0) {
    const cue = cues[0];
    throw new ShowError(
      `Cue ${cue?.number ?? ""} has no part ${edit.part ?? ""}; its ${cue?.parts.length === 1 ? "only part is" : "parts are"} ${cue?.parts.map((part) => part.number).join(" and ") ?? ""}`,
    );
  }
  return chosen.flatMap(({ cue, part }) =>
    partStep(list.id, cue.number, part, edit.set ? patchedTimes(part.times, edit.set) : scaled(part.times, edit.scale ?? 1)),
  );
}

function partStep(list: string, cue: string, part: Part, times: PartTimes): Step[] {
  if (sameData(part.times, times)) return [];
  const before = partHeadOf(part);
  return [{ at: "part", list, cue, part: part.number, before, after: { ...before, times } }];
}

/** Times of a part with a change laid on them; null forgets one. */
export function patchedTimes(times: PartTimes, patch: TimesPatch): PartTimes {
  const after: PartTimes = { ...times };
  for (const name of PLAIN) {
    const given = patch[name];
    if (given === null) delete after[name];
    else if (given !== undefined) after[name] = given;
  }
  for (const family of TIMED_FAMILIES) {
    const given = patch[family];
    if (given === undefined) continue;
    const own = given === null ? {} : patchedFamily(times[family], given);
    if (Object.keys(own).length > 0) after[family] = own;
    else delete after[family];
  }
  return after;
}

function patchedFamily(
  times: FamilyTimes | undefined,
  patch: { fade?: number | null | undefined; delay?: number | null | undefined },
): FamilyTimes {
  const after: FamilyTimes = { ...times };
  for (const name of ["fade", "delay"] as const) {
    const given = patch[name];
    if (given === null) delete after[name];
    else if (given !== undefined) after[name] = given;
  }
  return after;
}

function scaled(times: PartTimes, factor: number): PartTimes {
  const scale = (seconds: number): number => Math.round(seconds * factor * 1e6) / 1e6;
  const after: PartTimes = {};
  for (const name of PLAIN) {
    const own = times[name];
    if (own !== undefined) after[name] = scale(own);
  }
  for (const family of TIMED_FAMILIES) {
    const own = times[family];
    if (!own) continue;
    after[family] = {
      ...(own.fade === undefined ? {} : { fade: scale(own.fade) }),
      ...(own.delay === undefined ? {} : { delay: scale(own.delay) }),
    };
  }
  return after;
}
