import { groupBy } from "../show/groupBy.ts";
import { patchedChannels } from "../rig/addresses.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import type { Paper } from "./table.ts";

/**
 * Every light with what it is, where it is patched and hangs, and the groups it belongs to: the hookup.
 * In the order of the channels' numbers.
 */
export function hookupPaper({ show }: ShowSheet): Paper {
  const patched = groupBy(patchedChannels(show), ({ channel }) => channel.number);
  return {
    title: "Hookup and patch",
    subtitle: `${show.channels.length} lights`,
    columns: [
      { name: "light" },
      { name: "label", share: 3 },
      { name: "type", share: 3 },
      { name: "patch" },
      { name: "addresses" },
      { name: "place x, y, z (m)" },
      { name: "groups", share: 3 },
    ],
    rows: show.channels.map(({ number, label = "", type, place }) => {
      const own = patched.get(number) ?? [];
      return {
        cells: [
          String(number),
          label,
          show.fixtureTypes.find(({ id }) => id === type)?.name ?? type,
          own.map(({ universe, first }) => `${universe}.${first}`).join(", ") || "not patched",
          own.map(({ first, last }) => `${first}–${last}`).join(", "),
          place ? [place.x, place.y, place.z].join(", ") : "",
          show.groups.flatMap((group) => (group.channels.includes(number) ? [group.label || group.id] : [])).join(", "),
        ],
      };
    }),
    empty: "There is no light in the rig yet.",
  };
}
