import { Injectable, Logger, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { type Socket, io } from "socket.io-client";
import { Subscription } from "rxjs";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { Lease } from "../lease/lease.ts";
import type { ServerPlace } from "../lease/leaseTable.ts";
import { OscService } from "../osc/osc.service.ts";
import { RunService } from "../run/run.service.ts";
import { now } from "../shared/clock.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { LeaderClock } from "./leaderClock.ts";
import { trusting } from "./leaderTrust.ts";
import { type Beat, type BeatReply, type Message, type Reply, SPARE_LINE, readMessage } from "./messages.ts";

/** It is looked so often whether the leader is another; milliseconds. */
const LOOKING = 100;
/** So long a line that is hung up may still be answered; milliseconds. */
const ANSWERING = 200;
/** A leader that cannot be reached is called again after so long; milliseconds. */
const AGAIN = 150;

/** A server that follows: it calls the leader, is told all that runs, and takes it up when the lease says so. */
@Injectable()
export class FollowingService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly log = new Logger("Following");
  private readonly subscriptions = new Subscription();
  private socket: Socket | null = null;
  private called: string | null = null;
  private timer: NodeJS.Timeout | undefined;
  private clock = new LeaderClock();
  private isReady = false;

  constructor(
    private readonly lease: Lease,
    private readonly runs: RunService,
    private readonly osc: OscService,
    private readonly watch: DatabaseWatch,
  ) {
    lease.isReady = () => this.isReady;
  }

  onApplicationBootstrap(): void {
    this.subscriptions.add(this.runs.restarted.subscribe(() => this.beginAnew()));
    this.subscriptions.add(
      this.lease.role.subscribe((role) => {
        if (role === "follows") this.begin();
        else this.hangUp();
      }),
    );
  }

  /** What was known is gone with the engine: the leader tells it anew. */
  private beginAnew(): void {
    this.isReady = false;
    this.socket?.disconnect().connect();
  }

  onModuleDestroy(): void {
    this.subscriptions.unsubscribe();
    this.hangUp();
  }

  /** True while the leader is heard and all that it runs is known here. */
  get isUpToDate(): boolean {
    return this.isReady && this.socket?.connected === true;
  }

  private begin(): void {
    this.timer = setInterval(() => this.look(), LOOKING);
    this.timer.unref();
  }

  private hangUp(): void {
    clearInterval(this.timer);
    const { socket } = this;
    // What it was asked last is answered first.
    setTimeout(() => socket?.disconnect(), ANSWERING).unref();
    this.socket = null;
    this.called = null;
  }

  /** Calls whoever leads now. What is known of the one before stays until somebody tells it anew. */
  private look(): void {
    const { leader, place } = this.lease;
    if (!leader || leader.id === place.id || this.called === leader.address) return;
    this.socket?.disconnect();
    this.called = leader.address;
    this.clock = new LeaderClock();
    this.socket = this.call(leader);
  }

  private call(leader: ServerPlace): Socket {
    const { id, address } = this.lease.place;
    const socket = io(leader.address + SPARE_LINE, {
      // The secret may not have been read when the first call is made.
      auth: (give) => give({ secret: this.lease.secret, id, address }),
      transports: ["websocket"],
      reconnectionDelay: AGAIN,
      reconnectionDelayMax: 2 * AGAIN,
      forceNew: true,
      ...trusting(leader.certificate),
    });
    let isFirst = true;
    socket.on("connect", () => {
      isFirst = true;
      this.lease.hearLeader();
    });
    // A leader that does not lead, or knows this server from before, hangs up; it is called again.
    socket.on("disconnect", (reason) => {
      if (reason === "io server disconnect") setTimeout(() => socket.connect(), AGAIN).unref();
    });
    socket.on("connect_error", (error) => this.log.debug(`The leader at ${leader.address} cannot be reached: ${errorMessage(error)}`));
    socket.on("beat", ({ clock }: Beat, answer: (reply: BeatReply) => void) => {
      this.lease.hearLeader();
      this.clock.hear(clock, now());
      answer({ database: !this.watch.away.value });
    });
    socket.on("tell", (raw: unknown, answer: (reply: Reply) => void) => {
      this.lease.hearLeader();
      const begins = isFirst;
      isFirst = false;
      this.take(raw, begins).then(answer, (error: unknown) => {
        this.log.error(`What the leader told could not be done: ${errorMessage(error)}`);
        socket.disconnect().connect();
      });
    });
    return socket;
  }

  private async take(raw: unknown, begins: boolean): Promise<Reply> {
    const message = readMessage(raw);
    if (begins) {
      this.isReady = false;
      await this.runs.follow({ kind: "forgetFollowed", show: 0 });
    }
    return { isLost: await this.done(message) };
  }

  private async done(message: Message): Promise<boolean> {
    switch (message.kind) {
      case "settings":
        await this.runs.setOutput(message.output).catch((error: unknown) => this.log.warn(errorMessage(error)));
        this.osc.keepSettings(message.osc);
        return false;
      case "stage":
        await this.runs.followStage(message.show);
        return false;
      case "run":
        return this.runs.follow({ kind: "followRun", show: 0, run: { ...message.run, origin: message.run.origin - this.clock.offset } });
      case "event":
        return this.runs.follow({ kind: "followEvent", show: message.event.show, event: message.event, bumps: message.bumps });
      case "edit":
        return this.runs.follow({
          kind: "edit",
          show: message.show,
          revision: message.revision,
          steps: message.steps,
          pieces: [],
          run: null,
        });
      case "hand":
        return this.runs.follow({ kind: "hand", show: message.show, hand: message.hand });
      case "removed":
        return this.runs.follow({ kind: "forgetFollowed", show: message.show });
      case "ready":
        this.isReady = true;
        this.log.log(`All that runs at ${this.called ?? "the leader"} is known here; this server is ready to take over`);
        return false;
      case "take":
        await this.lease.takeYielded();
        return false;
      case "lead":
        // It is answered first: a server that leads hangs up.
        setImmediate(() => void this.lease.lookNow().catch((error: unknown) => this.log.warn(errorMessage(error))));
        return false;
    }
  }
}
