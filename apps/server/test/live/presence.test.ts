import type { Here } from "@zm/protocol";
import { type Socket, io } from "socket.io-client";
import { Presence } from "../../src/live/presence.ts";
import { type TestServer, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

const here = (window: string, cue: string | null, show = 1): Here => ({
  show,
  window,
  view: "score",
  list: null,
  cue,
  cueEnd: cue,
  channels: [],
  name: null,
  role: "programmer",
});

describe("who is here", () => {
  test("a window stands once, where it told last, even before its old line is found dead", () => {
    const presence = new Presence();
    presence.set("line 1", here("a", "1"));
    presence.set("line 2", here("b", "4"));
    presence.set("line 3", here("a", "2"));
    expect(presence.of(1).map(({ window, cue }) => [window, cue])).toEqual([
      ["b", "4"],
      ["a", "2"],
    ]);
    expect(presence.leave("line 1")).toBeUndefined();
    expect(presence.leave("line 3")).toBe(1);
    expect(presence.of(1).map(({ window }) => window)).toEqual(["b"]);
    expect(presence.of(2)).toEqual([]);
  });

  test("windows of one show are told of one another, those of others are not, and nonsense is left out", async () => {
    const server: TestServer = await startServer();
    const lines: Socket[] = [];
    const told = new Map<Socket, Here[]>();
    const open = async (): Promise<Socket> => {
      const line = io(server.address, { transports: ["websocket"], reconnection: false });
      lines.push(line);
      line.on("here", (all: Here[]) => told.set(line, all));
      await line.timeout(5000).emitWithAck("watch", 1);
      return line;
    };
    try {
      const [first, second] = [await open(), await open()];
      first.emit("here", here("a", "6"));
      second.emit("here", here("b", "9"));
      second.emit("here", { ...here("b", "9"), show: 7 });
      for (const nonsense of [null, 5, {}, { ...here("b", "9"), channels: "all" }, { ...here("b", "9"), cue: "9".repeat(20) }])
        second.emit("here", nonsense);
      await until(() => told.get(first)?.length === 2);
      expect(told.get(first)?.map(({ window, cue, role }) => [window, cue, role])).toEqual([
        ["a", "6", "programmer"],
        ["b", "9", "programmer"],
      ]);
      second.close();
      await until(() => told.get(first)?.length === 1);
    } finally {
      for (const line of lines) line.close();
      await server.end();
    }
  });
});
