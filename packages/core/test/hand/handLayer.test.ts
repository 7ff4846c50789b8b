import { EMPTY_HAND, type Hand, type MoveSpec, handLayer, keyNamed, applyHand } from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const SHOW = smallShow([oneCue("1", { "1": { intensity: 40 } })], undefined, {
  palettes: [
    { id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 30 }] },
    { id: "nowhere", family: "position", label: "Nowhere", values: [{ attribute: "pan", value: 5, channel: 5 }] },
  ],
  channels: [
    { number: 1, type: "mover" },
    { number: 2, type: "mover" },
    { number: 5, type: "mover" },
  ],
});
const ordinal = (name: string): number => keyNamed(SHOW.keys, name)?.ordinal ?? -1;
const held = (moves: Readonly<Record<string, MoveSpec>>): Hand => ({
  ...EMPTY_HAND,
  held: Object.fromEntries(Object.entries(moves).map(([name, move]) => [name, { move, fresh: true }])),
});
const layerOf = (hand: Hand): ReturnType<typeof handLayer> => handLayer(hand, SHOW);

test("what is in hand stands over the show; what the rig or its palettes cannot give is left out", () => {
  const { held: laid } = layerOf(
    held({ "1.intensity": { value: 70 }, "2.pan": { palette: "chair" }, "1.pan": { palette: "nowhere" }, "9.intensity": { value: 100 } }),
  );
  expect(laid.map(({ ordinal, value, at }) => ({ ordinal, value, at }))).toEqual([
    { ordinal: ordinal("1.intensity"), value: 70, at: null },
    { ordinal: ordinal("2.pan"), value: 30, at: null },
  ]);
});

test("a value on its way back counts only while its key is free, and ends at the show's", () => {
  const leaving = { from: 80, at: 1000, fade: 2 };
  const hand: Hand = {
    ...held({ "1.intensity": { value: 70 } }),
    leaving: { "1.intensity": leaving, "2.intensity": leaving, "9.pan": leaving },
  };
  const layer = layerOf(hand);
  expect(layer.leaving).toEqual([{ ordinal: ordinal("2.intensity"), ...leaving }]);
  const at = (now: number): number[] => {
    const values = new Float64Array(SHOW.keys.all.length).fill(20);
    applyHand(layer, now, values);
    return [values[ordinal("1.intensity")] ?? NaN, values[ordinal("2.intensity")] ?? NaN, values[ordinal("5.intensity")] ?? NaN];
  };
  expect(at(1000)).toEqual([70, 80, 20]);
  expect(at(2000)).toEqual([70, 50, 20]);
  expect(at(3000)).toEqual([70, 20, 20]);
  expect(at(9000)).toEqual([70, 20, 20]);
});
