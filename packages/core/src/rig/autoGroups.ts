import { plainId } from "../show/ids.ts";
import type { Channel, Group, Show } from "../show/schema.ts";
import { groupBy } from "../show/groupBy.ts";

/** Lights hang in one row when their bars are no further apart than this, metres. */
const SAME_ROW = 0.4;

/**
 * The groups that a rig makes by itself: the lights of each type, and those that hang in one row. They are never stored; a group
 * that somebody made under the same name hides one of these.
 * Rows are told by height and depth of the places. Their ids cannot clash with ids that people make.
 */
export function autoGroups({ channels, fixtureTypes, groups }: Pick<Show, "channels" | "fixtureTypes" | "groups">): Group[] {
  const byType = fixtureTypes.flatMap((type): Group[] => {
    const own = channels.filter((channel) => channel.type === type.id).map(({ number }) => number);
    return own.length === 0 ? [] : [{ id: plainId(type.name) || type.id, label: `All ${type.name || type.id}`, channels: own }];
  });
  const taken = new Set(groups.flatMap(({ id, label }) => [id.toLowerCase(), plainId(label)]));
  return [...byType, ...rows(channels)].filter(({ id }) => !taken.has(id.toLowerCase()));
}

/** A light that hangs somewhere. */
type Placed = Channel & { readonly place: NonNullable<Channel["place"]> };

/** Lights that hang in one row, from left to right, each row a group. */
function rows(channels: readonly Channel[]): Group[] {
  const placed = channels.filter((channel): channel is Placed => channel.place !== undefined);
  const bars = groupBy(placed, ({ place }) => `${Math.round(place.z / SAME_ROW)}/${Math.round(place.y / SAME_ROW)}`);
  return [...bars.values()]
    .filter((own) => own.length > 1)
    .sort((a, b) => placeOf(a).z - placeOf(b).z || placeOf(a).y - placeOf(b).y)
    .map((own, index) => ({
      id: `row-${index + 1}`,
      label: `Row ${index + 1}, ${placeOf(own).y} m up, ${placeOf(own).z} m deep`,
      channels: [...own].sort((a, b) => a.place.x - b.place.x).map(({ number }) => number),
    }));
}

/** How high and how deep a row hangs. Metres. */
function placeOf([first]: readonly Placed[]): { y: number; z: number } {
  return first?.place ?? { y: 0, z: 0 };
}
