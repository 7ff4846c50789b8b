import type { IncomingMessage } from "node:http";
import { Logger, type OnModuleDestroy, UseFilters, UseGuards } from "@nestjs/common";
import {
  ConnectedSocket,
  MessageBody,
  type OnGatewayDisconnect,
  type OnGatewayInit,
  SubscribeMessage,
  WebSocketGateway,
  WebSocketServer,
} from "@nestjs/websockets";
import { type FromServer, type ToServer, type WatchReply, hereRequest, rigSeen } from "@zm/protocol";
import { Subscription } from "rxjs";
import { Server, Socket } from "socket.io";
import { HandService } from "../hand/hand.service.ts";
import { HistoryService } from "../history/history.service.ts";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { CallerService } from "../osc/caller.service.ts";
import { RunLogService } from "../runlog/runLog.service.ts";
import { RunService } from "../run/run.service.ts";
import { now } from "../shared/clock.ts";
import { isServedTo } from "../door/guard.ts";
import { ErrorFilter } from "../shared/errorFilter.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { Troubles } from "../shared/troubles.ts";
import { Lease } from "../lease/lease.ts";
import { Presence } from "./presence.ts";
import { KeptCues } from "../shows/keptCues.ts";
import { ShowsService } from "../shows/shows.service.ts";
import { AccessGuard } from "../people/access.guard.ts";
import { PeopleService } from "../people/people.service.ts";
import { Needs, personOf } from "../people/person.ts";

/** A window that has not taken in so much of what it was told is cut; it comes back and begins with what is so by then. Messages, bytes. */
const MOST_WAITING = 2000;
const MOST_BYTES = 16 * 1_048_576;
/** It is looked so often; milliseconds. */
const LOOKING = 2000;

/** Where windows are is told at most so often; milliseconds. */
const HERE = 100;

/** Why a window of nobody who may in gets no live line. */
const SIGN_IN = "sign in";

/** Tells every open window of a show what has changed and what has been fired. */
@UseGuards(AccessGuard)
@UseFilters(ErrorFilter)
@WebSocketGateway({ serveClient: false })
export class LiveGateway implements OnGatewayInit, OnGatewayDisconnect, OnModuleDestroy {
  @WebSocketServer() private readonly server: Server<ToServer, FromServer>;
  private readonly log = new Logger("Live");
  private readonly subscriptions = new Subscription();
  private looking: NodeJS.Timeout | undefined;
  private readonly presence = new Presence();
  private readonly tellingHere = new Set<number>();

  constructor(
    private readonly shows: ShowsService,
    private readonly runs: RunService,
    private readonly hands: HandService,
    private readonly histories: HistoryService,
    private readonly database: DatabaseWatch,
    private readonly runLog: RunLogService,
    private readonly caller: CallerService,
    private readonly troubles: Troubles,
    private readonly people: PeopleService,
    private readonly kept: KeptCues,
    private readonly lease: Lease,
  ) {}

  afterInit(): void {
    this.server.engine.opts.allowRequest = (request: IncomingMessage, decide: (error: string | null, good: boolean) => void) =>
      decide(null, isServedTo(request, this.lease.memberAddresses));
    this.server.use((socket, next) => {
      // A page of another server of these shows carries its passage, since browsers add no header to a line.
      const passage: unknown = Reflect.get(socket.handshake.auth, "passage");
      if (typeof passage === "string") socket.request.headers.authorization ??= `Bearer ${passage}`;
      next();
    });
    this.server.use((socket, next) => (this.people.personOf(socket.request) ? next() : next(new Error(SIGN_IN))));
    this.subscriptions.add(this.kept.changes.subscribe((show) => this.server.to(room(show)).emit("kept", this.kept.of(show))));
    this.subscriptions.add(this.people.changes.subscribe(() => this.lookWhoMayStay()));
    this.looking = setInterval(() => this.cutSlow(), LOOKING);
    this.looking.unref();
    this.subscriptions.add(this.shows.changes.subscribe(({ event }) => this.server.to(room(event.show)).emit("edit", event)));
    this.subscriptions.add(this.troubles.all.subscribe((troubles) => this.server.emit("troubles", troubles)));
    this.subscriptions.add(this.runs.onStage.subscribe((show) => this.server.emit("stage", show)));
    this.subscriptions.add(this.runs.changes.subscribe((event) => this.server.to(room(event.show)).emit("fired", event)));
    this.subscriptions.add(this.hands.changes.subscribe((change) => this.server.to(room(change.show)).emit("hand", change)));
    this.subscriptions.add(this.histories.changes.subscribe((change) => this.server.to(room(change.show)).emit("history", change)));
    this.subscriptions.add(this.shows.removed.subscribe((show) => this.server.to(room(show)).emit("removed", show)));
    this.subscriptions.add(this.runLog.changes.subscribe((show) => this.server.to(room(show)).emit("logged", show)));
    this.subscriptions.add(this.caller.events.subscribe((event) => this.server.to(room(event.show)).emit("caller", event)));
    this.subscriptions.add(this.database.away.subscribe((away) => this.server.emit("database", away)));
  }

  onModuleDestroy(): void {
    clearInterval(this.looking);
    this.subscriptions.unsubscribe();
  }

  /** Cuts windows of people who may not be here any more, and has the others ask again who they are. */
  private lookWhoMayStay(): void {
    for (const socket of this.server.sockets.sockets.values()) if (!this.people.personOf(socket.request)) socket.disconnect(true);
    this.server.emit("people");
  }

  /** Cuts windows that take in nothing any more, so that what they are told does not pile up here. */
  private cutSlow(): void {
    for (const socket of this.server.sockets.sockets.values()) {
      const waiting = bufferOf(socket.conn);
      if (waiting.messages <= MOST_WAITING && waiting.bytes <= MOST_BYTES) continue;
      this.log.warn(`A window has not taken in ${waiting.messages} messages; it is cut, and begins anew when it comes back`);
      socket.disconnect(true);
    }
  }

  /** A window opens a show: from now on it is notified of it, beginning with where the list stands and what is in hand. */
  @SubscribeMessage("watch")
  @Needs("see")
  async watch(@ConnectedSocket() socket: Socket<ToServer, FromServer>, @MessageBody() show: unknown): Promise<WatchReply> {
    if (typeof show !== "number" || !Number.isSafeInteger(show)) return { error: "watch takes the number of a show" };
    try {
      const { revision, history } = await this.shows.show(show);
      await socket.join(room(show));
      void this.tellRun(socket, show);
      socket.emit("hand", await this.hands.state(show));
      socket.emit("kept", this.kept.of(show));
      socket.emit("history", history.state());
      socket.emit("database", this.database.away.value);
      socket.emit("troubles", this.troubles.all.value);
      return { revision };
    } catch (error) {
      this.log.warn(`A window could not watch show ${show}: ${errorMessage(error)}`);
      return { error: `Show ${show} cannot be opened` };
    }
  }

  /** What runs is told when the engine has read the show, which the window need not wait for. */
  private async tellRun(socket: Socket<ToServer, FromServer>, show: number): Promise<void> {
    try {
      socket.emit("run", await this.runs.state(show));
    } catch (error) {
      this.log.warn(`What runs of show ${show} cannot be told: ${errorMessage(error)}`);
    }
  }

  /** How many windows watch a show. */
  watchers(show: number): number {
    return this.server.sockets.adapter.rooms.get(room(show))?.size ?? 0;
  }

  /** Passes on to the windows of a show what simulated lights tell of themselves. */
  @SubscribeMessage("rig")
  @Needs("run")
  rig(@MessageBody() body: unknown): void {
    const seen = rigSeen.safeParse(body);
    if (seen.success) this.server.to(room(seen.data.show)).emit("rig", seen.data);
  }

  /** A window says where it is; the others of its show are told. */
  @SubscribeMessage("here")
  @Needs("see")
  here(@ConnectedSocket() socket: Socket<ToServer, FromServer>, @MessageBody() body: unknown): void {
    const here = hereRequest.safeParse(body);
    if (!here.success || !socket.rooms.has(room(here.data.show))) return;
    this.presence.set(socket.id, { ...here.data, ...personOf(socket.request) });
    this.tellHere(here.data.show);
  }

  handleDisconnect(socket: Socket<ToServer, FromServer>): void {
    const show = this.presence.leave(socket.id);
    if (show !== undefined) this.tellHere(show);
  }

  /** Who walks through cues with a key held down is told a few times a second. */
  private tellHere(show: number): void {
    if (this.tellingHere.has(show)) return;
    this.tellingHere.add(show);
    setTimeout(() => {
      this.tellingHere.delete(show);
      this.server.to(room(show)).emit("here", this.presence.of(show));
    }, HERE).unref();
  }

  /** The server's clock, for a window that sets its own by it. Milliseconds. */
  @SubscribeMessage("clock")
  @Needs("see")
  clock(): number {
    return now();
  }
}

/** How much waits for a window: messages that were not handed to its line, and bytes that its line has not sent. */
function bufferOf(line: object): { messages: number; bytes: number } {
  const waiting: unknown = Reflect.get(line, "writeBuffer");
  const transport: unknown = Reflect.get(line, "transport");
  const socket: unknown = typeof transport === "object" && transport !== null ? Reflect.get(transport, "socket") : undefined;
  const bytes: unknown = typeof socket === "object" && socket !== null ? Reflect.get(socket, "bufferedAmount") : undefined;
  return { messages: Array.isArray(waiting) ? waiting.length : 0, bytes: typeof bytes === "number" ? bytes : 0 };
}

function room(show: number): string {
  return `show ${show}`;
}
