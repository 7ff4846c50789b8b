import fc from "fast-check";
import {
  EMPTY_HAND,
  type Hand,
  type HandChange,
  type Moves,
  type RecordWish,
  ShowError,
  type ShowSheet,
  changeHand,
  cueOrder,
  entryAt,
  diffHands,
  fitHand,
  giveWay,
  handOutput,
  heldValue,
  invertSteps,
  listOf,
  makeEdits,
  offeredPlace,
  paceFromHand,
  paletteFromHand,
  planRecording,
  planUpdating,
  readEdits,
  readHand,
  recordSentence,
  resolve,
  serializeShow,
  sheetOf,
  stepHand,
  updateOptions,
} from "../../src/index.ts";
import { looksOf, storedOf } from "../support/attempt.ts";
import { KEYS, NUMBERS, movesArbitrary, showArbitrary } from "../support/randomShow.ts";

fc.configureGlobal({ numRuns: 100 });

const NAMES = KEYS.map(({ channel, attribute }) => `${channel}.${attribute}`);
const seconds = fc.integer({ min: 0, max: 20 }).map((quarter) => quarter / 4);
const nothingRuns = { run: undefined, outputOf: () => 0 };

const changeArbitrary: fc.Arbitrary<HandChange> = fc.oneof(
  movesArbitrary.map((moves) => ({ do: "give" as const, moves })),
  fc
    .dictionary(fc.constantFrom(...NAMES), fc.record({ fade: fc.option(seconds), delay: fc.option(seconds) }, { requiredKeys: [] }), {
      maxKeys: 3,
    })
    .map((times) => ({ do: "time" as const, times })),
  fc.record({ do: fc.constant("drop" as const), keys: fc.subarray(NAMES), fade: seconds }),
  fc.constant({ do: "drop" as const }),
  fc.constant({ do: "restoreDropped" as const }),
  fc.subarray(NAMES).map((keys) => ({ do: "recorded" as const, keys })),
);
const changes = fc.array(changeArbitrary, { maxLength: 6 });

function handAfter(sheet: ShowSheet, some: readonly HandChange[]): Hand {
  return some.reduce((hand, change, index) => changeHand(hand, change, sheet, index * 100), EMPTY_HAND);
}
function holding(sheet: ShowSheet, moves: Moves): Hand {
  return changeHand(EMPTY_HAND, { do: "give", moves }, sheet, 0);
}

test("a key is in hand or let go, never both; what is let go comes back as it was", () => {
  fc.assert(
    fc.property(showArbitrary, changes, (show, some) => {
      const sheet = sheetOf(show);
      const hand = handAfter(sheet, some);
      for (const name of Object.keys(hand.held)) expect(hand.leaving[name]).toBeUndefined();
      const gone = changeHand(hand, { do: "drop" }, sheet, 5000);
      expect(gone.held).toEqual({});
      if (Object.keys(hand.held).length > 0) {
        const back = changeHand(gone, { do: "restoreDropped" }, sheet, 5100);
        expect(back.held).toEqual(hand.held);
        expect(back.leaving).not.toEqual(
          expect.objectContaining(Object.fromEntries(Object.keys(hand.held).map((name) => [name, expect.anything()]))),
        );
      }
    }),
  );
});

test("a Hand that was stored is read as it was, and keeps what still fits the rig", () => {
  fc.assert(
    fc.property(showArbitrary, changes, (show, some) => {
      const sheet = sheetOf(show);
      const { held, dropped } = handAfter(sheet, some);
      const hand = { held, dropped, leaving: {} };
      expect(readHand(JSON.stringify(hand))).toEqual(hand);
      expect(fitHand(hand, sheet)).toBe(hand);
      const without = makeEdits(sheet, readEdits({ op: "removeChannel", channel: 2, used: "drop" })).sheet;
      const fitted = fitHand(hand, without);
      expect(Object.keys(fitted.held)).toEqual(Object.keys(held).filter((name) => !name.startsWith("2.")));
    }),
  );
});

test("what leaves the Hand goes from its value to the show without a jump, in its time", () => {
  fc.assert(
    fc.property(showArbitrary, movesArbitrary, seconds, fc.integer({ min: 0, max: 100 }), (show, moves, fade, under) => {
      const sheet = sheetOf(show);
      const hand = holding(sheet, moves);
      const gone = changeHand(hand, { do: "drop", fade }, sheet, 1000);
      for (const key of sheet.keys.all) {
        const held = heldValue(hand, key);
        const from = held ? resolve(held.move, key, sheet.palettes) : Number.NaN;
        const at = (ms: number): number => handOutput(gone, key, sheet.palettes, under, 1000 + ms);
        expect(at(fade * 1000 + 1)).toBe(under);
        if (!held || Number.isNaN(from)) expect(at(0)).toBe(under);
        else if (fade > 0 && !key.attribute.snap) {
          expect(at(0)).toBe(from);
          const way = Array.from({ length: 9 }, (_, step) => Math.abs(at((fade * 1000 * step) / 8) - under));
          for (let step = 1; step < way.length; step += 1) expect(way[step] ?? 0).toBeLessThanOrEqual((way[step - 1] ?? 0) + 1e-9);
        } else expect(at(0)).toBe(under);
      }
    }),
  );
});

test("a step back brings the Hand of before, whatever was done", () => {
  fc.assert(
    fc.property(showArbitrary, changes, changeArbitrary, (show, some, last) => {
      const sheet = sheetOf(show);
      const before = handAfter(sheet, some);
      const after = changeHand(before, last, sheet, 9000);
      const diff = diffHands(before, after);
      const back = stepHand(after, diff, "undo", sheet, 9100);
      expect(back.held).toEqual(before.held);
      expect(stepHand(back, diff, "redo", sheet, 9200).held).toEqual(after.held);
    }),
  );
});

test("when the list goes on, just what was recorded gives way", () => {
  fc.assert(
    fc.property(showArbitrary, changes, (show, some) => {
      const sheet = sheetOf(show);
      const hand = handAfter(sheet, some);
      const after = giveWay(hand, sheet, 9000);
      expect(after.held).toEqual(Object.fromEntries(Object.entries(hand.held).filter(([, { fresh }]) => fresh)));
      expect(after.dropped).toEqual(hand.dropped);
    }),
  );
});

const wishArbitrary: fc.Arbitrary<RecordWish> = fc
  .record(
    {
      cue: fc.constantFrom(...NUMBERS, "5", "11.125"),
      what: fc.constantFrom("both" as const, "values" as const),
      changed: fc.boolean(),
      mode: fc.constantFrom("merge" as const, "replace" as const, "remove" as const),
      scope: fc.constantFrom("track" as const, "cueOnly" as const),
      channels: fc.subarray([1, 2, 5], { minLength: 1 }),
      families: fc.subarray(["intensity", "position", "colour", "beam"] as const, { minLength: 1 }),
    },
    { requiredKeys: ["cue", "what", "changed", "mode", "scope"] },
  )
  .map((wish) => ({ from: "hand" as const, ...wish }));

/** A record made from a random Hand; undefined where there is nothing to record. */
function recorded(show: Parameters<typeof sheetOf>[0], some: readonly HandChange[], wish: RecordWish) {
  const sheet = sheetOf(show);
  const hand = handAfter(sheet, some);
  return unlessRefused(() => {
    const plan = planRecording(sheet, listOf(sheet), hand, nothingRuns, wish);
    return { sheet, hand, plan, outcome: makeEdits(sheet, readEdits(plan.edit)) };
  });
}
function unlessRefused<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (error) {
    if (error instanceof ShowError) return undefined;
    throw error;
  }
}

test("a record takes what passes its filters and nothing else, and undo is exact", () => {
  fc.assert(
    fc.property(showArbitrary, changes, wishArbitrary, (show, some, wish) => {
      const made = recorded(show, some, wish);
      fc.pre(made !== undefined);
      const { sheet, hand, plan, outcome } = made;
      const passes = sheet.keys.all.filter(
        (key) =>
          hand.held[key.name] !== undefined &&
          (!wish.changed || hand.held[key.name]?.fresh === true) &&
          (wish.channels?.includes(key.channel) ?? true) &&
          (wish.families?.includes(key.attribute.family) ?? true),
      );
      expect([...plan.keys].sort()).toEqual(passes.map(({ name }) => name).sort());
      const before = storedOf(sheet);
      const after = storedOf(outcome.sheet);
      if (wish.mode === "remove") for (const name of plan.keys) expect(after.has(`${wish.cue}/${name}`)).toBe(false);
      if (wish.mode === "merge" && wish.scope === "track")
        for (const [place, stored] of before)
          if (!plan.keys.some((name) => place === `${wish.cue}/${name}`)) expect(after.get(place)).toEqual(stored);
      if (wish.mode === "replace")
        expect([...after.keys()].filter((place) => place.startsWith(`${wish.cue}/`)).sort()).toEqual(
          plan.keys.map((name) => `${wish.cue}/${name}`).sort(),
        );
      expect(serializeShow(makeEdits(outcome.sheet, outcome.inverse).sheet.show)).toBe(serializeShow(sheet.show));
    }),
  );
});

test("a record never changes an earlier look, and this cue only changes no later one", () => {
  fc.assert(
    fc.property(showArbitrary, changes, wishArbitrary, (show, some, wish) => {
      const made = recorded(show, some, wish);
      fc.pre(made !== undefined);
      const { sheet, outcome } = made;
      const before = new Map(listOf(sheet).cues.map((cue, row) => [cue.number, looksOf(sheet)[row]]));
      const looks = looksOf(outcome.sheet);
      listOf(outcome.sheet).cues.forEach((cue, row) => {
        const earlier = cueOrder(cue.number) < cueOrder(wish.cue);
        const later = cueOrder(cue.number) > cueOrder(wish.cue);
        if (earlier || (later && wish.scope === "cueOnly")) expect(looks[row]).toEqual(before.get(cue.number));
      });
      const told = new Set(outcome.impact.looks.map(({ cue }) => cue));
      for (const [number, look] of before) {
        const row = listOf(outcome.sheet).cues.findIndex((cue) => cue.number === number);
        const same = JSON.stringify([...(looks[row] ?? [])].sort()) === JSON.stringify([...(look ?? [])].sort());
        expect(told.has(number)).toBe(!same);
      }
    }),
  );
});

test("the sentence of a record counts the moves that it writes and the lights they belong to", () => {
  fc.assert(
    fc.property(showArbitrary, changes, wishArbitrary, (show, some, wish) => {
      const made = recorded(show, some, wish);
      fc.pre(made !== undefined);
      const { sheet, plan, outcome } = made;
      const sentence = recordSentence(listOf(sheet), plan, outcome);
      const before = storedOf(sheet);
      const after = storedOf(outcome.sheet);
      const places = new Set([...before.keys(), ...after.keys()].filter((place) => place.startsWith(`${wish.cue}/`)));
      const touched = [...places].filter((place) => JSON.stringify(before.get(place)) !== JSON.stringify(after.get(place)));
      const lights = new Set(touched.map((place) => place.slice(place.indexOf("/") + 1, place.lastIndexOf("."))));
      const counted = /: (\d+) values? of (\d+) lights?/.exec(sentence);
      if (touched.length === 0) expect(sentence).toContain("nothing of it is new");
      else expect([Number(counted?.[1]), Number(counted?.[2])]).toEqual([touched.length, lights.size]);
    }),
  );
});

test("an update makes the cue show what was in hand, wherever each value was sent", () => {
  const places = fc.constantFrom("here" as const, "atSource" as const, "inPalette" as const);
  fc.assert(
    fc.property(showArbitrary, movesArbitrary, fc.nat(), fc.array(places, { minLength: 8, maxLength: 8 }), (show, moves, at, wanted) => {
      const sheet = sheetOf(show);
      const list = listOf(sheet);
      const row = at % list.cues.length;
      const cue = list.cues[row]?.number ?? "1";
      const options = updateOptions(sheet, list, holding(sheet, moves), cue);
      fc.pre(options.length > 0);
      // Two lights that share an entry of a palette cannot both have their way through it; that is asked of one at a time.
      const one = options[at % options.length];
      fc.pre(one !== undefined && !Number.isNaN(one.value));
      const place = offeredPlace(one, wanted[at % 8] ?? "here");
      const outcome = makeEdits(sheet, readEdits(planUpdating(list, cue, [one], () => place)));
      const shown = entryAt(listOf(outcome.sheet), one.key, row);
      expect(shown.value).toBe(one.value);
      if (place === "atSource" && one.source !== undefined) expect(listOf(outcome.sheet).cues[shown.row]?.number).toBe(one.source);
      expect(serializeShow(makeEdits(outcome.sheet, outcome.inverse).sheet.show)).toBe(serializeShow(sheet.show));
    }),
  );
});

test("a palette made of the Hand gives each light the value that was held", () => {
  fc.assert(
    fc.property(
      showArbitrary,
      movesArbitrary,
      fc.constantFrom("all" as const, "type" as const, "channel" as const),
      fc.constantFrom("dusk", "noon", "fresh"),
      (show, moves, scope, id) => {
        const sheet = sheetOf(show);
        const hand = holding(sheet, moves);
        const palette = unlessRefused(() => paletteFromHand(sheet, hand, { id, label: "Made", family: "colour", scope }));
        fc.pre(palette !== undefined);
        const after = makeEdits(sheet, readEdits({ op: "setPalette", palette })).sheet;
        for (const key of sheet.keys.all.filter(({ attribute }) => attribute.family === "colour")) {
          const held = heldValue(hand, key);
          const value = held ? resolve(held.move, key, sheet.palettes) : Number.NaN;
          if (!Number.isNaN(value)) expect(after.palettes.valueFor(id, key)).toBe(value);
        }
      },
    ),
  );
});

test("a pace made of the own times in hand gives them back when it is laid on the same lights", () => {
  fc.assert(
    fc.property(
      fc.array(seconds, { minLength: 3, maxLength: 3 }),
      fc.array(seconds, { minLength: 3, maxLength: 3 }),
      showArbitrary,
      (fades, delays, show) => {
        const sheet = sheetOf(show);
        const order = [5, 1, 2];
        const moves: Moves = Object.fromEntries(order.map((channel) => [channel, { intensity: 50 }]));
        const times = Object.fromEntries(
          order.map((channel, index) => [`${channel}.intensity`, { fade: fades[index] ?? 0, delay: delays[index] ?? 0 }]),
        );
        const hand = changeHand(holding(sheet, moves), { do: "time", times }, sheet, 0);
        const pace = paceFromHand(sheet, hand, { id: "made", label: "Made", channels: order });
        const withPace = makeEdits(sheet, readEdits({ op: "setPace", pace })).sheet;
        const edits = [
          { op: "insertCue" as const, cue: "11.5", parts: [{ number: 1, times: {}, moves }] },
          { op: "setMoveTimes" as const, from: "11.5", to: "11.5", keys: { channels: order }, pace: "made" },
        ];
        const cue = listOf(makeEdits(withPace, readEdits(edits)).sheet).cues.find(({ number }) => number === "11.5");
        order.forEach((channel, index) => {
          const move = cue?.parts[0]?.moves[channel]?.["intensity"];
          expect(move).toMatchObject({ value: 50 });
          if (typeof move === "object") {
            expect(move.fade).toBeCloseTo(fades[index] ?? 0, 2);
            expect(move.delay).toBeCloseTo(delays[index] ?? 0, 2);
          }
        });
      },
    ),
  );
});

test("the inverse of a record's steps is the record taken back, step by step", () => {
  fc.assert(
    fc.property(showArbitrary, changes, wishArbitrary, (show, some, wish) => {
      const made = recorded(show, some, wish);
      fc.pre(made !== undefined);
      expect(invertSteps(invertSteps(made.outcome.steps))).toEqual(made.outcome.steps);
    }),
  );
});
