import { QueryClient } from "@tanstack/react-query";
import { Mix, applyRunChange, listOf, mixCheck, mixFrom, sheetOf, snapshotOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import type { RunEvent, RunState } from "@zm/protocol";
import { useLive } from "../../src/show/liveStore.ts";
import { showKey } from "../../src/show/openShow.ts";
import { receiveFired, receiveRun } from "../../src/show/receiveFired.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);

/** The states of a show whose first list is fired cue by cue, beginning before its first, and the events between them. */
function firedStates(count: number): { states: RunState[]; events: RunEvent[] } {
  const mix = new Mix(sheet);
  const stateAt = (version: number): RunState => ({ show: 1, version, revision: 7, origin: 0, mix: structuredClone(snapshotOf(mix)) });
  const states = [stateAt(0)];
  const events: RunEvent[] = [];
  for (let version = 1; version <= count; version += 1) {
    const change = { t: version, list: list.id, go: true as const };
    applyRunChange(mix, change, sheet, list.id);
    states.push(stateAt(version));
    const cues = { [list.id]: mix.lists.get(list.id)?.cue ?? null };
    events.push({
      show: 1,
      version,
      revision: 7,
      change,
      cues,
      fired: [],
      reports: [],
      check: mixCheck(mix),
      origin: 0,
      press: null,
      from: null,
    });
  }
  return { states, events };
}

const { states, events } = firedStates(4);
const [first, , third, fourth] = events;
const client = new QueryClient();
/** The questions for the whole that wait for an answer. */
let asked: ((state: RunState | undefined) => void)[] = [];
const versionNow = (): number | undefined => useLive.getState().run?.version;
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

beforeEach(() => {
  asked = [];
  client.setQueryData(showKey(1), { id: 1, revision: 7, sheet, whole: false });
  useLive.setState({ show: 1, run: null });
  if (states[0]) receiveRun(client, states[0]);
  globalThis.fetch = () => new Promise((resolve) => asked.push((state) => resolve(new Response(JSON.stringify(state)))));
});

test("what follows on what the window has is computed here, and nothing is asked", () => {
  for (const event of events) receiveFired(client, event);
  const { run } = useLive.getState();
  expect(run?.version).toBe(4);
  expect(run && snapshotOf(run.base)).toEqual(states[4]?.mix);
  const wanted = states[4] && mixFrom(sheet, states[4].mix);
  for (const key of sheet.keys.all) expect(run?.mix.output(key, 4.5)).toBe(wanted?.output(key, 4.5));
  expect(asked).toEqual([]);
  if (first) receiveFired(client, first);
  expect(versionNow()).toBe(4);
});

test("a window that missed something asks for the whole, and again if more comes before it", async () => {
  if (!third || !fourth) throw new Error("The list has too few cues");
  receiveFired(client, third);
  receiveFired(client, fourth);
  expect(asked.length).toBe(1);
  asked[0]?.(states[3]);
  await settled();
  expect(versionNow()).toBe(3);
  expect(asked.length).toBe(2);
  asked[1]?.(states[4]);
  await settled();
  expect(useLive.getState().run?.version).toBe(4);
  expect(asked.length).toBe(2);
});

test("a window asks for the whole when what was fired comes to another result", async () => {
  if (!first) throw new Error("The list has no cue");
  receiveFired(client, { ...first, check: 1 });
  expect(versionNow()).toBe(0);
  expect(asked.length).toBe(1);
  asked[0]?.(states[1]);
  await settled();
  expect(versionNow()).toBe(1);
});

test("an answer that comes when another show is open is left alone", async () => {
  if (!third) throw new Error("The list has too few cues");
  receiveFired(client, third);
  useLive.setState({ show: 2, run: null });
  asked[0]?.(states[3]);
  await settled();
  expect(useLive.getState().run).toBeNull();
});
