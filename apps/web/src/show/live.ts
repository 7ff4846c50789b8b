import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { type Socket, io } from "socket.io-client";
import { create } from "zustand";
import { type ListClock, listTime } from "@zm/core";
import { leaveHand, takeHandNews } from "../hand/handStore.ts";
import type { EditNews, HandNews, RunState } from "./api.ts";
import { rememberOpened } from "./lastOpened.ts";
import { catchUp, takeNews } from "./useShow.ts";

interface FromServer {
  edit: (news: EditNews) => void;
  run: (state: RunState) => void;
  hand: (news: HandNews) => void;
}
interface ToServer {
  watch: (show: number, reply: (answer: { revision: number } | { error: string }) => void) => void;
  clock: (reply: (now: number) => void) => void;
}

/** What this window hears live: where the list stands, how far its clock is from the server's, whether the line is up. */
interface Live {
  run: RunState | null;
  connected: boolean;
  /** Milliseconds to add to this window's clock to have the server's. */
  ahead: number;
}

export const useLive = create<Live>(() => ({ run: null, connected: false, ahead: 0 }));

/** Keeps the line to the server while a show is open. */
export function useLiveShow(show: number): void {
  const client = useQueryClient();
  useEffect(() => {
    rememberOpened(show);
    const socket: Socket<FromServer, ToServer> = io({ transports: ["websocket"] });
    socket.on("connect", () => {
      socket.emit("watch", show, (answer) => {
        if ("revision" in answer) void catchUp(client, show);
      });
      void setClock(socket);
      useLive.setState({ connected: true });
    });
    socket.on("disconnect", () => useLive.setState({ connected: false }));
    socket.on("edit", (news) => void takeNews(client, news));
    socket.on("run", (run) => useLive.setState({ run }));
    socket.on("hand", takeHandNews);
    const ticking = setInterval(() => void setClock(socket), 30_000);
    return () => {
      clearInterval(ticking);
      socket.close();
      useLive.setState({ run: null, connected: false });
      leaveHand();
    };
  }, [client, show]);
}

/** Sets the window's clock by the quickest of a few questions. */
async function setClock(socket: Socket<FromServer, ToServer>): Promise<void> {
  let best = { trip: Infinity, ahead: 0 };
  for (let tries = 0; tries < 4; tries += 1) {
    const sent = here();
    const server = await new Promise<number>((resolve) => socket.emit("clock", resolve));
    const trip = here() - sent;
    if (trip < best.trip) best = { trip, ahead: server + trip / 2 - here() };
  }
  useLive.setState({ ahead: best.ahead });
}

function here(): number {
  return performance.timeOrigin + performance.now();
}

/** Milliseconds of the server's clock now. */
export function serverNow(ahead: number): number {
  return here() + ahead;
}

/** The running list's own time now, in seconds. */
export function listNow(clock: ListClock, ahead: number): number {
  return listTime(clock, here() + ahead);
}
