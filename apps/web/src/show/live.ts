import { type QueryClient, useQueryClient } from "@tanstack/react-query";
import { listOf } from "@zm/core";
import { useEffect } from "react";
import { type NavigateFunction, useNavigate } from "react-router";
import { type Socket, io } from "socket.io-client";
import { forgetHandTurn, leaveHand, receiveHand } from "./handStore.ts";
import { notify } from "../shared/notices.ts";
import { passageOf, serverAddress } from "../shared/serverAddress.ts";
import { findOtherServer, serversQuery } from "./servers.ts";
import type { FromServer, ToServer } from "@zm/protocol";
import { leaveHistory, receiveHistory } from "./historyStore.ts";
import { api } from "./api.ts";
import { leaveCaller, receiveCaller, receiveCallerEvent } from "./caller.ts";
import { runsKey } from "./runLog.ts";
import { useLastEdit } from "./lastEdit.ts";
import { type OpenShow, showKey, showsQuery } from "./openShow.ts";
import { stageKey } from "./onStage.ts";
import { leaveHere, receiveHere, setHereLine } from "./presence.ts";
import { receiveKept } from "./kept.ts";
import { askAgainWhoIAm } from "./me.ts";
import { rememberOpened } from "./lastOpened.ts";
import { cueOnStage, forgetRunTurn, localNow, useLive } from "./liveStore.ts";
import { receiveRigSeen } from "./rigSeen.ts";
import { receiveFired, receiveRun } from "./receiveFired.ts";
import { settle, tellOnStageAgain } from "./unsettled.ts";
import { catchUp, receiveEdit } from "./useShow.ts";

export { cueOnStage, runNow, serverNow, useLive } from "./liveStore.ts";

/** How long a window waits before it asks again to watch a show that could not be opened; milliseconds. */
const AGAIN = 1000;
/** A line that was cut is tried again after so long at first; milliseconds. */
const SOON = 400;
/** Which other servers there are is asked so often, for when this one falls silent; milliseconds. */
const ASKING = 15_000;
/** A line is tried again at least so often; milliseconds. */
const LONGEST_WAIT = 2000;
/** A line that neither comes nor is refused is given up after so long, and tried again; milliseconds. */
const COMING = 4000;
/** So long after the newest entry of the run log it is asked for; milliseconds. */
const LOGGED = 1000;

/** Where the server of a line stays silent, the line goes to another one of its shows. */
function otherServer(socket: Socket<FromServer, ToServer>, client: QueryClient): { lookSoon: () => void; end: () => void } {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isOver = false;
  const askWhich = (): void => void client.prefetchQuery(serversQuery);
  socket.on("connect", askWhich);
  const asking = setInterval(() => (socket.connected ? askWhich() : undefined), ASKING);
  const look = async (): Promise<void> => {
    if (isOver || socket.connected || !(await findOtherServer()) || isOver) return;
    Reflect.set(socket.io, "uri", serverAddress());
    socket.disconnect().connect();
  };
  return {
    lookSoon: () => {
      clearTimeout(timer);
      timer = setTimeout(() => void look(), SOON);
    },
    end: () => {
      isOver = true;
      clearInterval(asking);
      clearTimeout(timer);
    },
  };
}

function tellRemoved(client: QueryClient, navigate: NavigateFunction): void {
  notify("This show has been removed in another window");
  void navigate("/");
  void client.invalidateQueries({ queryKey: showsQuery.queryKey });
}

/** Keeps the line to the server while a show is open. */
export function useLiveShow(show: number): void {
  const client = useQueryClient();
  const navigate = useNavigate();
  useEffect(() => {
    rememberOpened(show);
    useLive.setState({ show });
    const socket: Socket<FromServer, ToServer> = io(serverAddress(), {
      transports: ["websocket"],
      // At a server that the page did not come from no cookie says who this is.
      auth: (give) => give({ passage: passageOf() }),
      reconnectionDelay: SOON,
      reconnectionDelayMax: LONGEST_WAIT,
      timeout: COMING,
    });
    let left = false;
    let logged: ReturnType<typeof setTimeout> | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    const elsewhere = otherServer(socket, client);
    const isDown = (isCut: boolean): void => {
      elsewhere.lookSoon();
      if (isCut) again = setTimeout(() => void comeBack(socket, () => left), AGAIN);
    };
    const watch = (): void => {
      socket.emit("watch", show, (answer) => {
        if ("revision" in answer) {
          setHereLine((here) => socket.emit("here", here));
          void catchUp(client, show);
        } else again = setTimeout(watch, AGAIN);
      });
    };
    socket.on("connect", () => {
      // A server that has been started again may count from elsewhere: what it says first is so.
      forgetTurns();
      watch();
      void settle();
      void setClock(socket);
      api.caller(show).then(receiveCaller, () => undefined);
      useLive.setState({ connected: true });
      void client.invalidateQueries({ queryKey: stageKey });
    });
    socket.on("disconnect", (why) => {
      useLive.setState({ connected: false });
      leaveHere();
      // The server has cut this line on purpose, which is not tried again by itself.
      isDown(why === "io server disconnect");
    });
    socket.on("connect_error", () => isDown(!socket.active));
    socket.on("here", receiveHere);
    socket.on("kept", receiveKept);
    socket.on("people", () => void askAgainWhoIAm().catch(() => undefined));
    socket.on("refused", (why) => notify(why, "trouble"));
    socket.on("edit", (event) => void receiveEdit(client, event));
    socket.on("rig", receiveRigSeen);
    socket.on("run", (state) => {
      receiveRun(client, state);
      const sheet = client.getQueryData<OpenShow>(showKey(show))?.sheet;
      if (sheet) tellOnStageAgain(cueOnStage(useLive.getState().run, listOf(sheet).id));
    });
    socket.on("fired", (event) => receiveFired(client, event));
    socket.on("hand", receiveHand);
    socket.on("history", receiveHistory);
    socket.on("database", (databaseAway) => {
      useLive.setState({ databaseAway });
      if (!databaseAway) void settle();
    });
    socket.on("troubles", (troubles) => useLive.setState({ troubles }));
    socket.on("stage", () => void client.invalidateQueries({ queryKey: stageKey }));
    socket.on("caller", receiveCallerEvent);
    socket.on("logged", () => {
      clearTimeout(logged);
      // While a show runs fast there is always more: it is asked for when there has been a moment's rest.
      logged = setTimeout(() => void client.invalidateQueries({ queryKey: runsKey(show) }), LOGGED);
    });
    socket.on("removed", () => {
      tellRemoved(client, navigate);
    });
    const ticking = setInterval(() => void setClock(socket), 30_000);
    return () => {
      left = true;
      clearInterval(ticking);
      clearTimeout(again);
      elsewhere.end();
      clearTimeout(logged);
      socket.close();
      leaveHere();
      receiveKept([]);
      useLive.setState({ show: null, run: null, connected: false });
      useLastEdit.setState({ edit: null });
      leaveHand();
      leaveHistory();
      leaveCaller();
    };
  }, [client, navigate, show]);
}

/** Opens a line anew that the server has cut or refused, unless somebody has to sign in first or the show has been left meanwhile. */
async function comeBack(socket: Socket<FromServer, ToServer>, isLeft: () => boolean): Promise<void> {
  await askAgainWhoIAm().catch(() => undefined);
  if (!isLeft()) socket.connect();
}

function forgetTurns(): void {
  forgetHandTurn();
  forgetRunTurn();
}

/** Sets the window's clock by the quickest of a few questions. */
async function setClock(socket: Socket<FromServer, ToServer>): Promise<void> {
  let best = { trip: Infinity, clockOffset: 0 };
  for (let tries = 0; tries < 4; tries += 1) {
    const sent = localNow();
    const server = await new Promise<number>((resolve) => socket.emit("clock", resolve));
    const trip = localNow() - sent;
    if (trip < best.trip) best = { trip, clockOffset: server + trip / 2 - localNow() };
  }
  useLive.setState({ clockOffset: best.clockOffset });
}
