import { z } from "zod";
import { type FamilyTimes, type PartTimes, PLAIN_TIMES, TIMED_FAMILIES } from "../../show/schema.ts";
import { curve, seconds } from "./fields.ts";

const familyPatch = z.strictObject({
  fade: seconds.nullable().optional(),
  delay: seconds.nullable().optional(),
  curve: curve.nullable().optional(),
});
/**
 * A change to the times of a part as an edit writes it: null forgets a time, what is left out stays. Seconds.
 * By direction and by family, as `times` of a part. A null for a whole family forgets both of its times.
 */
export const timesPatch = z.strictObject({
  up: seconds.nullable().optional(),
  down: seconds.nullable().optional(),
  upDelay: seconds.nullable().optional(),
  downDelay: seconds.nullable().optional(),
  position: familyPatch.nullable().optional(),
  colour: familyPatch.nullable().optional(),
  beam: familyPatch.nullable().optional(),
});
/**
 * A change to the times of a part.
 * What forms and the line entry make of what was typed.
 */
export type TimesPatch = z.infer<typeof timesPatch>;

/**
 * Times of a part with a change laid on them; null forgets one.
 * An absent field of the patch leaves the time as it is. Families without any time left are left away.
 */
export function patchedTimes(times: PartTimes, patch: TimesPatch): PartTimes {
  const after: PartTimes = { ...times };
  for (const name of PLAIN_TIMES) {
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

/** Times of a family with a change laid on them. */
function patchedFamily(times: FamilyTimes | undefined, patch: z.infer<typeof familyPatch>): FamilyTimes {
  const after: FamilyTimes = { ...times };
  for (const name of ["fade", "delay"] as const) {
    const given = patch[name];
    if (given === null) delete after[name];
    else if (given !== undefined) after[name] = given;
  }
  if (patch.curve === null) delete after.curve;
  else if (patch.curve !== undefined) after.curve = patch.curve;
  return after;
}
