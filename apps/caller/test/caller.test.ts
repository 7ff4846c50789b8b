import { type ShowSheet, listOf, readShow, sheetOf } from "@zm/core";
import type { CallerEvent } from "@zm/protocol";
import { Caller, type CallerWish, canBeCalled } from "../src/caller.ts";

type Said = Omit<CallerEvent, "show">;

/** A play of four cues a few seconds apart; the third follows by itself. */
const play = (
  calls: readonly (object | undefined)[] = [
    { line: "a", word: "one" },
    { line: "b" },
    undefined,
    { line: "c", word: "two", kind: "after" },
  ],
): ShowSheet =>
  sheetOf(
    readShow({
      format: "zealous-mark/show",
      version: 2,
      title: "A play",
      fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [{ id: "intensity", family: "intensity", min: 0, max: 100, home: 0 }] }],
      channels: [{ number: 1, type: "lamp" }],
      lists: [
        {
          id: "main",
          label: "Main",
          cues: calls.map((call, index) => ({
            number: String(index + 1),
            ...(call ? { call } : {}),
            ...(index === 2 ? { trigger: { type: "follow", from: "go", after: 1 } } : {}),
            parts: [{ number: 1, times: {}, moves: { 1: { intensity: 10 * (index + 1) } } }],
          })),
        },
        { id: "sea", label: "Sea", cues: [] },
      ],
      script: {
        pace: 60,
        standby: 2,
        lines: [
          { id: "a", who: "ADA", text: "one two three four" },
          { id: "b", text: "(She climbs.)", seconds: 4 },
          { id: "c", who: "ADA", text: "one two" },
        ],
      },
    }),
  );

/** A desk without lights: it answers a hello, does what it is told at once, fires followers, and keeps what came. */
class Desk {
  readonly heard: string[] = [];
  readonly said: Said[] = [];
  stands: string | null;
  /** What it does not do although it is asked. */
  deaf = new Set<string>();
  /** What it does later than it is asked, and by how much. Seconds. */
  late = new Map<string, number>();
  /** Called with each thing that is said. */
  hear: (said: Said) => void = () => undefined;
  private due: { at: number; cue: string }[] = [];
  private time = 0;
  private caller: Caller | undefined;

  constructor(stands: string | null = null) {
    this.stands = stands;
  }

  async call(sheet: ShowSheet, wish: Partial<CallerWish> = {}): Promise<{ pressed: number; missed: number }> {
    this.caller = new Caller(
      sheet,
      listOf(sheet),
      { speed: 60, from: undefined, keepsRate: false, ...wish },
      {
        send: (address, ...args) => this.take(address, args),
        tell: (event) => {
          this.said.push(event);
          this.hear(event);
        },
        // The clock goes on while somebody waits, and only then.
        now: () => this.time,
        wait: (seconds) => this.pass(seconds),
      },
    );
    return this.caller.call();
  }

  stop(): void {
    this.caller?.stop();
  }

  /** Somebody else goes to a cue. */
  goElsewhere(cue: string): void {
    this.fire(cue);
  }

  words(what: Said["what"]): string[] {
    return this.said.filter((each) => each.what === what).map(({ words }) => words);
  }

  private pass(seconds: number): Promise<void> {
    this.time += seconds;
    const now = this.due.filter(({ at }) => at <= this.time);
    this.due = this.due.filter(({ at }) => at > this.time);
    for (const { cue } of now) this.fire(cue);
    return Promise.resolve();
  }

  private take(address: string, args: readonly (string | number)[]): Promise<void> {
    this.heard.push([address, ...args].join(" "));
    const [cue = ""] = args.map(String);
    if (address === "/zm/hello") this.tell("/zm/at", this.stands ?? "");
    if (address.endsWith("/goto")) this.fireInTime(cue);
    if (address.endsWith("/release")) {
      this.stands = null;
      this.tell("/zm/at", "");
    }
    if (address.endsWith("/go") && !this.deaf.has(cue)) this.fireInTime(cue);
    return Promise.resolve();
  }

  private fireInTime(cue: string): void {
    const late = this.late.get(cue);
    if (late === undefined) return this.fire(cue);
    this.due.push({ at: this.time + late, cue });
  }

  private fire(cue: string): void {
    this.stands = cue;
    this.tell("/zm/cue", cue);
    if (cue === "2") this.fire("3");
  }

  private tell(address: string, cue: string): void {
    this.caller?.hear({ address, args: ["main", cue, "", "press"] });
  }
}

test("cues are called at their words after their standbys; what follows by itself is not called", async () => {
  const desk = new Desk();
  expect(await desk.call(play())).toEqual({ pressed: 3, missed: 0 });
  expect(desk.heard.filter((each) => each.endsWith("/go 1") || /\/go /.test(each))).toEqual([
    "/zm/list/main/go 1",
    "/zm/list/main/go 2",
    "/zm/list/main/go 4",
  ]);
  expect(desk.words("standby")).toEqual(["Stand by cue 1", "Stand by cue 2", "Stand by cue 4"]);
  expect(desk.words("go")).toEqual(["Cue 1, go: on “one”", "Cue 2, go: with the line", "Cue 4, go: after “two”"]);
  const moments = desk.said.filter(({ what }) => what === "go").map(({ moment }) => moment);
  [0, 4, 10].forEach((wanted, index) => expect(Math.abs((moments[index] ?? -9) - wanted)).toBeLessThan(0.15));
  expect(desk.words("ends")).toEqual(["3 cues called"]);
});

test("where the list is not at the cue before it says so and does not press", async () => {
  const desk = new Desk();
  desk.deaf = new Set(["2"]);
  expect(await desk.call(play())).toEqual({ pressed: 2, missed: 1 });
  expect(desk.words("says")).toEqual(["Cue 4 is not pressed: the list is at cue 1 and not at cue 3"]);
  expect(desk.heard).not.toContain("/zm/list/main/go 4");
  expect(desk.words("ends")).toEqual(["2 cues called, 1 not pressed"]);
});

test("a list that is not yet where the play begins is waited for, but not for ever", async () => {
  const slow = new Desk("3");
  slow.late = new Map([
    ["1", 2],
    ["2", 0.3],
  ]);
  expect(await slow.call(play(), { from: "2" })).toEqual({ pressed: 2, missed: 0 });
  const begins = slow.said.findIndex(({ what }) => what === "begins");
  expect(slow.said.slice(0, begins)).toEqual([]);
  expect(slow.heard.filter((each) => each.includes("/goto"))).toEqual(["/zm/list/main/goto 1 0"]);

  const slower = new Desk();
  slower.late = new Map([["2", 5]]);
  expect(await slower.call(play())).toEqual({ pressed: 2, missed: 1 });

  const nowhere = new Desk("3");
  nowhere.late = new Map([["1", 60]]);
  await expect(nowhere.call(play(), { from: "2" })).rejects.toThrow(
    "The list is at cue 3 and does not come where the play is to begin: at cue 1",
  );
  expect(nowhere.heard.some((each) => /\/go /.test(each))).toBe(false);
});

test("a list that somebody has taken further is not waited for", async () => {
  const desk = new Desk();
  desk.hear = ({ words }) => {
    if (words === "Stand by cue 2") desk.goElsewhere("4");
  };
  const { missed } = await desk.call(play());
  expect(missed).toBe(2);
  expect(desk.words("says")).toEqual([
    "Cue 2 is not pressed: the list is at cue 4 and not at cue 1",
    "Cue 4 is not pressed: the list is at cue 4 and not at cue 3",
  ]);
  const moments = desk.said.filter(({ what }) => what === "says").map(({ moment }) => moment);
  [4, 10].forEach((wanted, index) => expect(Math.abs((moments[index] ?? -9) - wanted)).toBeLessThan(0.15));
});

test("it begins behind the cue on stage, or brings the list before the cue that was named", async () => {
  const behind = new Desk("3");
  expect(await behind.call(play())).toEqual({ pressed: 1, missed: 0 });
  const named = new Desk("3");
  await named.call(play(), { from: "2" });
  expect(named.heard).toContain("/zm/list/main/goto 1 0");
  const first = new Desk("3");
  await first.call(play(), { from: "1" });
  expect(first.heard).toContain("/zm/list/main/release 0");
  expect(first.words("go")).toHaveLength(3);
  await expect(new Desk().call(play(), { from: "9" })).rejects.toThrow("There is no cue 9 in this list");
  await expect(new Desk("4").call(play())).rejects.toThrow("nothing left to call");
});

test("the lists run at its speed while it reads; what is fired belongs to a run of its own", async () => {
  const desk = new Desk();
  await desk.call(play());
  const rates = desk.heard.filter((each) => each.includes("/rate"));
  expect(rates).toEqual(["/zm/list/main/rate 60", "/zm/list/sea/rate 60", "/zm/list/main/rate 1", "/zm/list/sea/rate 1"]);
  const run = desk.heard.findIndex((each) => each.startsWith("/zm/run"));
  expect(desk.heard[run]).toBe("/zm/run called, 60 times as fast 60");
  expect(run).toBeLessThan(desk.heard.findIndex((each) => /\/go /.test(each)));
  const keeps = new Desk();
  await keeps.call(play(), { keepsRate: true });
  expect(keeps.heard.filter((each) => each.includes("/rate"))).toEqual([]);
  // However fast the lists run, the play is read faster, and the times of its run say nothing.
  expect(keeps.heard.find((each) => each.startsWith("/zm/run"))).toBe("/zm/run called, 60 times as fast 60");
});

test("sent away it leaves at once and sets the rates back; a desk that does not answer is said", async () => {
  const desk = new Desk();
  desk.hear = ({ words }) => {
    if (words === "Stand by cue 2") desk.stop();
  };
  expect(await desk.call(play())).toEqual({ pressed: 1, missed: 0 });
  expect(desk.heard.slice(-2)).toEqual(["/zm/list/sea/rate 1", "/zm/endrun"]);
  const sheet = play();
  let time = 0;
  const alone = new Caller(
    sheet,
    listOf(sheet),
    { speed: 1, from: undefined, keepsRate: false },
    {
      send: () => Promise.resolve(),
      tell: () => undefined,
      now: () => time,
      wait: (seconds) => {
        time += seconds;
        return Promise.resolve();
      },
    },
  );
  await expect(alone.call()).rejects.toThrow("Nobody answers");
});

test("whatever ends it, the lists have their own rate again", async () => {
  const desk = new Desk();
  desk.hear = ({ words }) => {
    if (words === "Stand by cue 2") throw new Error("The line is gone");
  };
  await expect(desk.call(play())).rejects.toThrow("The line is gone");
  expect(desk.heard.slice(-3)).toEqual(["/zm/list/main/rate 1", "/zm/list/sea/rate 1", "/zm/endrun"]);
});

test("refusals of the desk are said", async () => {
  const sheet = play();
  const said: Said[] = [];
  const caller = new Caller(
    sheet,
    listOf(sheet),
    { speed: 1, from: undefined, keepsRate: false },
    { send: () => Promise.resolve(), tell: (event) => said.push(event), now: () => 0, wait: () => Promise.resolve() },
  );
  caller.hear({ address: "/zm/error", args: ["/zm/go", "Cue 2 has already gone; the next is 3"] });
  expect(said.map(({ words }) => words)).toEqual(["Refused: Cue 2 has already gone; the next is 3"]);
});

test("only a list with a cue at a place in the script can be called", () => {
  const sheet = play();
  expect(canBeCalled(sheet, listOf(sheet))).toBe(true);
  const nowhere = play([undefined, { line: "gone" }]);
  expect(canBeCalled(nowhere, listOf(nowhere))).toBe(false);
  const silent = sheetOf({ ...sheet.show, script: undefined });
  expect(canBeCalled(silent, listOf(silent))).toBe(false);
});
