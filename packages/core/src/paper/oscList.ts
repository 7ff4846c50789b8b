import type { ShowSheet } from "../sheet/sheet.ts";
import type { Paper } from "./table.ts";

/** What a message to a list does, by the last word of its address. */
const VERBS = [
  ["go", "[cue]", "fires its next cue; with a cue only where that is the next"],
  ["back", "", "back to the cue before"],
  ["hold", "[on or off]", "holds fades and follows, or lets them go on"],
  ["goto", "cue [time]", "goes to a cue"],
  ["release", "[time]", "lets go of it"],
  ["rate", "rate", "its clock runs so many times as fast"],
  ["master", "level [time]", "its master, 0 to 100"],
  ["fader", "level [time]", "its fader, 0 to 100"],
  ["catch", "", "what would fire by itself waits for a Go"],
] as const;

/**
 * Every OSC message that this show answers, address by address, with what its lists, held looks and tempos are called: to be laid beside the program that sends them.
 * What the messages mean in full stands in docs/osc.md.
 */
export function oscListPaper({ show }: ShowSheet): Paper {
  const { lists, heldLooks = [], tempos = [] } = show;
  return {
    title: "OSC addresses",
    subtitle: "What programs outside can send",
    columns: [
      { name: "address", share: 3 },
      { name: "arguments", share: 2 },
      { name: "what it does", share: 4 },
    ],
    rows: [
      ...lists.flatMap(({ id, label }, place) =>
        VERBS.map(([verb, given, words], index) => ({
          cells: [place === 0 ? `/zm/${verb}` : `/zm/list/${encodeURIComponent(id)}/${verb}`, given, words],
          ...(index === 0 ? { heading: `${label || id}${place === 0 ? `, also as /zm/list/${encodeURIComponent(id)}/…` : ""}` } : {}),
        })),
      ),
      ...heldLooks.map(({ id, label }, index) => ({
        cells: ["/zm/look", `${id} level [time]`, `the fader of ${label || id}, 0 to 100`],
        ...headed(index, "Held looks"),
      })),
      ...tempos.map(({ id, label }, index) => ({
        cells: ["/zm/tempo", `${id} perMinute`, `the beats a minute of ${label || id}`],
        ...headed(index, "Tempos"),
      })),
      ...OVER_ALL.map((cells, index) => ({ cells, ...headed(index, "Over all") })),
    ],
    empty: "This show has no list yet.",
  };
}

const OVER_ALL = [
  ["/zm/grand", "level [time]", "the grand master, 0 to 100"],
  ["/zm/blackout", "[on or off] [time]", "holds all levels at 0, or lets them come back"],
  ["/zm/alloff", "[time]", "lets go of every list, held look and the Hand"],
  ["/zm/standby", "list cue list cue …", "chooses cues that go together with one press"],
  ["/zm/fire", "", "fires them"],
  ["/zm/run", "name [speed]", "begins a run in the run log"],
  ["/zm/endrun", "", "ends the run that the same program began"],
  ["/zm/hello", "", "asks which show it is and where each list stands"],
];

function headed(index: number, heading: string): { heading?: string } {
  return index === 0 ? { heading } : {};
}
