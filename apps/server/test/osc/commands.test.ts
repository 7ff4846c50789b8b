import { paperOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { oscCommand } from "../../src/osc/commands.ts";

const command = (address: string, ...args: (string | number)[]): unknown => oscCommand({ address, args });

test.each([
  ["/zm/go", [], { press: { press: "go" } }],
  ["/zm/go", [12.5], { press: { press: "go", cue: "12.5" } }],
  ["/zm/list/flame/go", ["3"], { press: { press: "go", list: "flame", cue: "3" } }],
  ["/zm/list/a%20b/back", [], { press: { press: "back", list: "a b" } }],
  ["/zm/hold", ["off"], { press: { press: "hold", held: false } }],
  ["/zm/goto", [6, 2.5], { press: { press: "goto", cue: "6", time: 2.5 } }],
  ["/zm/rate", [0.30000001192092896], { press: { press: "rate", rate: 0.3 } }],
  ["/zm/master", [50, 3], { press: { press: "master", level: 50, time: 3 } }],
  ["/zm/look", ["storm", 80], { press: { press: "look", look: "storm", level: 80 } }],
  ["/zm/tempo", ["waltz", 90], { press: { press: "tempo", tempo: "waltz", perMinute: 90 } }],
  [
    "/zm/standby",
    ["main", "7", "flame", 2],
    {
      press: {
        press: "standby",
        chosen: [
          { list: "main", cue: "7" },
          { list: "flame", cue: "2" },
        ],
      },
    },
  ],
  ["/zm/standby", [], { press: { press: "standby", chosen: [] } }],
  ["/zm/grand", [60, 3], { press: { press: "grand", level: 60, time: 3 } }],
  ["/zm/blackout", [], { press: { press: "blackout" } }],
  ["/zm/blackout", ["on", 2], { press: { press: "blackout", held: true, time: 2 } }],
  ["/zm/alloff", [5], { press: { press: "allOff", time: 5 } }],
  ["/zm/hello", [], { hello: true }],
  ["/zm/run", ["dress", 20], { run: { name: "dress", speed: 20 } }],
  ["/zm/endrun", [], { runEnds: true }],
])("%s with %j asks for %j", (address, args, asked) => {
  expect(command(address, ...args)).toEqual(asked);
});

test.each([
  ["/other/go", [], "every address begins with /zm/"],
  ["/zm/jump", [], "there is /zm/hello"],
  ["/zm/list/flame", [], "is not known here"],
  ["/zm/list/%zz/go", [], "names no list"],
  ["/zm/goto", [], "needs the cue"],
  ["/zm/goto", ["six"], "needs the number of a cue"],
  ["/zm/hold", ["maybe"], "takes on or off"],
  ["/zm/rate", ["fast"], '"fast" is no number'],
  ["/zm/look", ["storm"], "needs a level"],
  ["/zm/standby", ["main"], "takes pairs"],
  ["/zm/tempo", ["waltz", Number.NaN], "is no number"],
])("%s with %j is refused in words", (address, args, words) => {
  expect(() => command(address, ...args)).toThrow(words);
});

test("every address on the paper of a show is understood, with the arguments that stand beside it", () => {
  const show = saltAndParaffin();
  const given: Record<string, (string | number)[]> = {
    "": [],
    "[cue]": ["7"],
    "[on or off]": ["on"],
    "cue [time]": ["7", 2],
    "[time]": [3],
    rate: [1.5],
    "level [time]": [40, 2],
    "[on or off] [time]": ["off", 2],
    "list cue list cue …": ["main", "7"],
    "name [speed]": ["dress", 2],
  };
  const { rows } = paperOf(sheetOf(show), { kind: "osc" });
  expect(rows.length).toBeGreaterThan(30);
  for (const { cells } of rows) {
    const [address = "", words = ""] = cells;
    const [first = "", ...rest] = words.split(" ");
    const args = given[words] ?? [first, rest.join(" ") === "perMinute" ? 90 : 50];
    expect(() => oscCommand({ address, args })).not.toThrow();
  }
});
