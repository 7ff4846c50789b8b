import { QueryClient } from "@tanstack/react-query";
import { type Firing, type Playback, afterFiring, idlePlayback, listOf, playbackCheck, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import type { RunEvent, RunState } from "@zm/protocol";
import { useLive } from "../src/show/liveStore.ts";
import { showKey } from "../src/show/openShow.ts";
import { takeFired } from "../src/show/takeFired.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const clock = { at: 0, seconds: 0, held: false };

/** The states of a list that is fired cue by cue, beginning before its first, and the events between them. */
function firedStates(count: number): { states: RunState[]; events: RunEvent[] } {
  let playback: Playback = idlePlayback(list.id);
  const states: RunState[] = [{ show: 1, turn: 0, playback, clock }];
  const events: RunEvent[] = [];
  for (let turn = 1; turn <= count; turn += 1) {
    const cue = list.cues[turn - 1]?.number ?? "";
    const firing: Firing = { do: "next", cue, at: turn };
    playback = afterFiring(playback, list, firing);
    states.push({ show: 1, turn, playback, clock });
    const check = playbackCheck(playback, list.keys);
    events.push({ show: 1, list: list.id, turn, revision: 7, firings: [firing], clock, cue, follow: playback.follow, check });
  }
  return { states, events };
}

const { states, events } = firedStates(4);
const [first, , third, fourth] = events;
const client = new QueryClient();
/** The questions for the whole that wait for an answer. */
let asked: ((state: RunState | undefined) => void)[] = [];
const turnNow = (): number | undefined => useLive.getState().run?.turn;
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

beforeEach(() => {
  asked = [];
  client.setQueryData(showKey(1), { id: 1, revision: 7, sheet });
  useLive.setState({ show: 1, main: list.id, run: states[0] ?? null });
  globalThis.fetch = () => new Promise((resolve) => asked.push((state) => resolve(new Response(JSON.stringify(state)))));
});

test("what follows on what the window has is computed here, and nothing is asked", () => {
  for (const event of events) takeFired(client, event);
  expect(useLive.getState().run).toEqual(states[4]);
  expect(asked).toEqual([]);
  if (first) takeFired(client, first);
  expect(turnNow()).toBe(4);
});

test("a window that missed something asks for the whole, once more when something is fired before the answer is there", async () => {
  if (!third || !fourth) throw new Error("The list has too few cues");
  takeFired(client, third);
  takeFired(client, fourth);
  expect(asked.length).toBe(1);
  asked[0]?.(states[3]);
  await settled();
  expect(turnNow()).toBe(3);
  expect(asked.length).toBe(2);
  asked[1]?.(states[4]);
  await settled();
  expect(useLive.getState().run?.turn).toBe(4);
  expect(asked.length).toBe(2);
});

test.each([
  ["is of another revision", { revision: 8 }],
  ["comes to another result", { check: 1 }],
])("a window asks for the whole when what was fired %s", async (_, other) => {
  if (!first) throw new Error("The list has no cue");
  takeFired(client, { ...first, ...other });
  expect(turnNow()).toBe(0);
  expect(asked.length).toBe(1);
  asked[0]?.(states[1]);
  await settled();
  expect(turnNow()).toBe(1);
});

test("an answer that comes when another show is open is left alone", async () => {
  if (!third) throw new Error("The list has too few cues");
  takeFired(client, third);
  useLive.setState({ show: 2, run: null });
  asked[0]?.(states[3]);
  await settled();
  expect(useLive.getState().run).toBeNull();
});
