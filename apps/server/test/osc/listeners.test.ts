import { expect, test } from "@jest/globals";
import { Listeners } from "../../src/osc/listeners.ts";

test("fifty who have said hello give way to no stranger, and are forgotten in time", () => {
  const listeners = new Listeners();
  for (let port = 1; port <= 50; port += 1) listeners.greet(listeners.hear("10.0.0.1", port, 0), 0);
  listeners.hear("10.0.0.9", 99, 1000);
  expect(listeners.current(1000)).toHaveLength(50);
  expect(listeners.get("10.0.0.9:99")).toBeUndefined();
  expect(listeners.current(11 * 60_000)).toEqual([]);
  listeners.hear("10.0.0.9", 99, 11 * 60_000);
  expect(listeners.current(11 * 60_000)).toEqual(["10.0.0.9:99"]);
});

test("of fifty strangers the one who was heard from longest ago gives way", () => {
  const listeners = new Listeners();
  for (let port = 1; port <= 50; port += 1) listeners.hear("10.0.0.1", port, port);
  listeners.hear("10.0.0.1", 1, 100);
  listeners.hear("10.0.0.9", 99, 101);
  expect(listeners.get("10.0.0.1:2")).toBeUndefined();
  expect(listeners.get("10.0.0.1:1")).toBeDefined();
  expect(listeners.current(101)).toHaveLength(50);
});
