import fc from "fast-check";
import {
  type Channel,
  type Show,
  bulkEdits,
  listOf,
  makeEdits,
  patchFaults,
  patchWords,
  readEdits,
  readPatch,
  readRigCsv,
  renumberEdits,
  repatchEdits,
  serializeShow,
  sheetOf,
  writeRigCsv,
} from "../../src/index.ts";
import { storedOf } from "../support/attempt.ts";
import { showArbitrary } from "../support/randomShow.ts";

fc.configureGlobal({ numRuns: 120 });

const patch = fc.record({ universe: fc.integer({ min: 1, max: 3 }), address: fc.integer({ min: 1, max: 512 }) });
const metres = fc.integer({ min: -900, max: 900 }).map((centimetre) => centimetre / 100);
const point = fc.record({ x: metres, y: metres, z: metres });
const label = fc
  .string({ unit: fc.constantFrom("a", "Ö", " ", ",", ";", '"', "'", "=", "-", "7", "@", "+"), minLength: 1, maxLength: 8 })
  .map((text) => text.trim());
const rig: fc.Arbitrary<Channel[]> = fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 8 }).chain((numbers) =>
  fc.tuple(
    ...numbers.map((number) =>
      fc
        .record(
          {
            type: fc.constantFrom("lamp", "mover"),
            label,
            patch,
            place: fc.record({ x: metres, y: metres, z: metres, aim: point }, { requiredKeys: ["x", "y", "z"] }),
          },
          { requiredKeys: ["type"] },
        )
        .map((rest): Channel => ({ number, ...rest, ...(rest.label === "" ? { label: "x" } : {}) })),
    ),
  ),
);

/** A random show with more lights in its rig; those that its cues use stay. */
function withRig(show: Show, more: readonly Channel[]): Show {
  const taken = new Set(show.channels.map(({ number }) => number));
  const channels = [...show.channels, ...more.filter(({ number }) => !taken.has(number))].sort((a, b) => a.number - b.number);
  return { ...show, channels };
}

test("the rig written as a table is read back unchanged, and makes an empty rig the same", () => {
  fc.assert(
    fc.property(showArbitrary, rig, (show, more) => {
      const full = withRig(show, more);
      const table = writeRigCsv(full);
      expect(readRigCsv(table, full)).toEqual([]);
      const bare = { ...full, channels: [], groups: [], palettes: [], lists: [{ id: "main", label: "Main", cues: [] }] };
      const edits = readRigCsv(table, bare);
      expect(makeEdits(sheetOf(bare), readEdits(edits)).sheet.show.channels).toEqual(full.channels);
    }),
  );
});

test("a patch is read as it is written", () => {
  fc.assert(fc.property(patch, (own) => expect(readPatch(patchWords(own))).toEqual(own)));
  fc.assert(
    fc.property(fc.string({ maxLength: 9 }), (text) => {
      const read = readPatch(text);
      if (read) expect(text.replace(/\s/g, "")).toMatch(new RegExp(`^0*${read.universe}[./:]0*${read.address}$`));
    }),
  );
});

test("a light is named in the patch's faults exactly when it shares or passes an address", () => {
  fc.assert(
    fc.property(showArbitrary, rig, (show, more) => {
      const full = withRig(show, more);
      const takes = (channel: Channel): string[] => {
        const width = full.fixtureTypes.find(({ id }) => id === channel.type)?.attributes.length ?? 1;
        return channel.patch
          ? Array.from({ length: width }, (_, index) => `${channel.patch?.universe}.${(channel.patch?.address ?? 0) + index}`)
          : [];
      };
      const users = new Map<string, number[]>();
      for (const channel of full.channels)
        for (const address of takes(channel)) users.set(address, [...(users.get(address) ?? []), channel.number]);
      const faults = patchFaults(sheetOf(full));
      const clashing = [...users.values()].filter((some) => some.length > 1);
      for (const some of clashing) expect(some.some((channel) => faults.has(channel))).toBe(true);
      for (const channel of faults.keys()) {
        const own = full.channels.find(({ number }) => number === channel);
        const addresses = own ? takes(own) : [];
        const shared = addresses.some((address) => (users.get(address)?.length ?? 0) > 1);
        const past = addresses.some((address) => Number(address.split(".")[1]) > 512);
        expect(shared || past).toBe(true);
      }
    }),
  );
});

test("lights patched one behind the other never clash among themselves", () => {
  fc.assert(
    fc.property(showArbitrary, rig, patch, (show, more, from) => {
      const full = withRig(
        show,
        more.map(({ patch: _, ...bare }) => bare),
      );
      const numbers = full.channels.map(({ number }) => number);
      const after = makeEdits(sheetOf(full), readEdits(repatchEdits(full, numbers, from))).sheet;
      expect([...patchFaults(after)]).toEqual([]);
      expect(after.show.channels.every(({ patch: own }) => own !== undefined)).toBe(true);
    }),
  );
});

test("lights added in a row follow one another, whatever stood there", () => {
  fc.assert(
    fc.property(showArbitrary, rig, fc.integer({ min: 41, max: 60 }), fc.integer({ min: 0, max: 30 }), (show, more, from, count) => {
      const full = withRig(show, more);
      const edits = bulkEdits(full, { from, to: from + count, type: "mover", patch: { universe: 7, address: 1 }, label: "Row" });
      const after = makeEdits(sheetOf(full), readEdits(edits)).sheet.show;
      const row = after.channels.filter(({ number }) => number >= from && number <= from + count);
      expect(row.map(({ label: own }) => own)).toEqual(row.map((_, index) => `Row ${index + 1}`));
      expect(row.map(({ patch: own }) => own?.address)).toEqual(row.map((_, index) => 1 + 4 * index));
    }),
  );
});

test("lights change numbers in any order; each keeps all that it does, and undo is exact", () => {
  const order = fc.shuffledSubarray([1, 2, 5], { minLength: 1 });
  fc.assert(
    fc.property(showArbitrary, order, fc.integer({ min: 1, max: 8 }), (show, channels, start) => {
      const sheet = sheetOf(show);
      const targets = new Map(channels.map((channel, index) => [channel, start + index]));
      const others = [1, 2, 5].filter((channel) => !targets.has(channel));
      fc.pre(others.every((channel) => ![...targets.values()].includes(channel)));
      const edits = renumberEdits(show, channels, start);
      const outcome = makeEdits(sheet, readEdits(edits));
      const renamed = [...storedOf(sheet)].map(([place, stored]): [string, unknown] => {
        const [, cue, channel, attribute] = /^(.*)\/(\d+)\.(.*)$/.exec(place) ?? [];
        return [`${cue}/${targets.get(Number(channel)) ?? channel}.${attribute}`, stored];
      });
      expect(new Map([...storedOf(outcome.sheet)].sort())).toEqual(new Map(renamed.sort()));
      expect(outcome.sheet.show.groups[0]?.channels).toEqual(show.groups[0]?.channels.map((channel) => targets.get(channel) ?? channel));
      expect(listOf(outcome.sheet).cues).toHaveLength(listOf(sheet).cues.length);
      expect(serializeShow(makeEdits(outcome.sheet, outcome.inverse).sheet.show)).toBe(serializeShow(show));
    }),
  );
});
