import { ConflictException, Injectable, Logger, type OnModuleDestroy, ServiceUnavailableException } from "@nestjs/common";
import { setTimeout as wait } from "node:timers/promises";
import type { Socket } from "socket.io";
import { Subscription, first } from "rxjs";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { Lease } from "../lease/lease.ts";
import { BEAT } from "../lease/leaseRules.ts";
import { OscService } from "../osc/osc.service.ts";
import { RunService } from "../run/run.service.ts";
import { now } from "../shared/clock.ts";
import { Troubles } from "../shared/troubles.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { ShowsService } from "../shows/shows.service.ts";
import type { Caller, Message } from "./messages.ts";
import { SpareLine } from "./spareLine.ts";

/** Edits of more steps are read by the spare, which is quicker. */
const MOST_STEPS = 5000;
/** What was fired is confirmed once every spare knows of it; one that takes longer is no longer up to date. Milliseconds. */
const PATIENCE = 800;
/** A database that is away for so long here, and not at a spare, has the lead go there; milliseconds. */
const AWAY = 2000;
const CUT_OFF = "lead cut off";
const CUT_OFF_WORDS =
  "This server reaches neither the database nor its spare. It holds the levels that it sent last, at a low priority, and nothing can be fired here; the other server leads where it can";
const GONE = "spare gone";

/** So long a spare may take to know everything before the lease is handed to it; milliseconds. */
const HANDING = 3000;

/** The spares of a server that leads: they are told all that runs as it happens, and nothing is confirmed to anybody before they know of it. */
@Injectable()
export class SparesService implements OnModuleDestroy {
  private readonly log = new Logger("Spares");
  private readonly lines = new Map<string, SpareLine>();
  /** Spares that are gone while the database could not be told. */
  private readonly gone = new Set<string>();
  private readonly subscriptions = new Subscription();
  private readonly timer: NodeJS.Timeout;
  private awaySince: number | undefined;
  /** Under way while the lead is handed over. */
  handing: Promise<Caller> | null = null;

  constructor(
    private readonly lease: Lease,
    private readonly runs: RunService,
    private readonly shows: ShowsService,
    private readonly osc: OscService,
    private readonly troubles: Troubles,
    private readonly watch: DatabaseWatch,
  ) {
    this.subscriptions.add(runs.told.subscribe(({ event, bumps }) => this.tell({ kind: "event", event, bumps })));
    this.subscriptions.add(
      runs.opened.subscribe((show) => {
        for (const line of this.lines.values()) void this.tellRunning(line, show);
      }),
    );
    this.subscriptions.add(runs.onStage.subscribe((show) => this.tell({ kind: "stage", show })));
    this.subscriptions.add(runs.held.subscribe(({ show, hand }) => this.tell({ kind: "hand", show, hand })));
    this.subscriptions.add(shows.removed.subscribe((show) => this.tell({ kind: "removed", show })));
    this.subscriptions.add(
      shows.changes.subscribe(({ event: { show, revision }, steps }) =>
        this.tell({ kind: "edit", show, revision, steps: steps.length > MOST_STEPS ? [] : steps }),
      ),
    );
    this.subscriptions.add(runs.outputChanged.subscribe(() => void this.tellSettings()));
    this.subscriptions.add(osc.changed.subscribe(() => void this.tellSettings()));
    this.subscriptions.add(
      lease.role.subscribe((role) => {
        if (role !== "leads") this.closeAll();
        troubles.set(CUT_OFF, role === "cutOff" && !lease.isHanded ? CUT_OFF_WORDS : null);
      }),
    );
    runs.confirm = () => this.confirm();
    runs.expectLead = () => {
      if (this.handing || lease.isHanded)
        throw new ServiceUnavailableException("The lead is being handed to another server; press once more");
    };
    this.timer = setInterval(() => this.beat(), BEAT);
    this.timer.unref();
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
    this.subscriptions.unsubscribe();
    this.closeAll();
  }

  /** The spares that could take over now. */
  get ready(): readonly Caller[] {
    return [...this.lines.values()].filter(({ isReady }) => isReady).map(({ caller }) => caller);
  }

  /** A spare calls: it is told everything, and may take over once it knows it. */
  async attach(socket: Socket, caller: Caller): Promise<void> {
    this.lines.get(caller.id)?.close();
    const line = new SpareLine(
      socket,
      caller,
      (own, show) => void this.tellRunning(own, show),
      (own) => own.close(),
    );
    this.lines.set(caller.id, line);
    socket.once("disconnect", () => void this.leave(line));
    try {
      await this.tellSettings(line);
      const { show } = await this.runs.stage();
      line.tell({ kind: "stage", show });
      await this.tellRunning(line);
      await this.letStandReady(line);
    } catch (error) {
      this.log.warn(`The spare at ${caller.address} could not be told all that runs: ${errorMessage(error)}`);
      line.close();
    }
  }

  /**
   * Hands the lead to a spare: it knows everything, and from then on sends above this server, which ends. Throws ConflictException where there is none, or it takes too long; then
   * this server leads on.
   */
  handOver(id?: string): Promise<Caller> {
    if (this.handing) return this.handing;
    const line = [...this.lines.values()].find((each) => each.isReady && (id === undefined || each.caller.id === id));
    if (!line)
      return Promise.reject(new ConflictException("No spare is ready to take over; start one with ZM_SPARE_OF and wait until it is"));
    this.handing = this.handTo(line).finally(() => (this.handing = null));
    return this.handing;
  }

  private async handTo(line: SpareLine): Promise<Caller> {
    // What was asked for before is done here.
    await Promise.race([this.shows.settled(), wait(HANDING, undefined, { ref: false })]);
    if (!(await line.caughtUp(HANDING)))
      throw new ConflictException(`The spare at ${line.caller.address} does not answer in time; this server leads on`);
    await this.osc.stopListening();
    try {
      await this.lease.handOver(line.caller.id);
    } catch (error) {
      await this.osc.listenAnew();
      throw error;
    }
    line.tell({ kind: "lead" });
    await line.caughtUp(HANDING);
    return line.caller;
  }

  /** Resolves when every spare that may take over knows of all that has happened. Throws where that cannot be known: then it is not known what becomes of it. */
  private async confirm(): Promise<void> {
    for (const line of this.lines.values()) {
      if (!line.isReady || (await line.caughtUp(PATIENCE))) continue;
      this.log.warn(`The spare at ${line.caller.address} is behind; it does not count until it has caught up`);
      line.isReady = false;
      await this.drop(line.caller.id);
      void this.letStandReady(line).catch(() => line.close());
    }
    if (this.gone.size === 0) return;
    throw new ServiceUnavailableException(
      "Neither the spare nor the database answers, so it is not known whether this counts; look at what is on before you press once more",
    );
  }

  /** Waits until a spare knows everything, and lets it take over from then on. */
  private async letStandReady(line: SpareLine): Promise<void> {
    const { id, address } = line.caller;
    while (!(await line.caughtUp(HANDING))) if (!line.isOpen) return;
    await this.lease.addSpare(id);
    this.gone.delete(id);
    line.isReady = true;
    this.troubles.set(GONE, null);
    line.tell({ kind: "ready" });
    this.log.log(`The spare at ${address} knows all that runs`);
  }

  private async leave(line: SpareLine): Promise<void> {
    if (this.lines.get(line.caller.id) === line) this.lines.delete(line.caller.id);
    if (line.isReady) this.tellGone(line.caller);
    line.isReady = false;
    if (this.lease.leads) await this.drop(line.caller.id);
  }

  private tellGone({ address }: Caller): void {
    this.log.warn(`The spare at ${address} is gone`);
    if (this.ready.length > 1 || this.lease.isHanded || !this.lease.leads) return;
    this.troubles.set(GONE, `The spare at ${address} is gone: should this server fail, nobody takes over until it is back. See People`);
  }

  /** Says in the database that a spare may not take over any more; tried again until the database has heard. */
  private async drop(id: string): Promise<void> {
    try {
      await this.lease.dropSpare(id);
      this.gone.delete(id);
    } catch {
      this.gone.add(id);
    }
  }

  private beat(): void {
    if (!this.lease.leads || this.lease.isHanded) return;
    for (const line of this.lines.values())
      line.beat(now(), (sent) => {
        if (line.isReady) this.lease.heardBySpare(line.caller.id, sent);
      });
    this.yieldWhereAway();
    for (const id of this.gone) if (!this.lines.has(id)) void this.drop(id);
  }

  /** A database that this server does not reach for a while, and a spare does: the spare leads, since nothing can be stored here. */
  private yieldWhereAway(): void {
    if (!this.watch.away.value) this.awaySince = undefined;
    else this.awaySince ??= now();
    if (this.awaySince === undefined || now() - this.awaySince < AWAY || this.handing) return;
    const line = [...this.lines.values()].find((each) => each.isReady && each.reachesDatabase);
    if (!line) return;
    this.handing = this.yieldTo(line).finally(() => (this.handing = null));
    this.handing.catch((error: unknown) => this.log.warn(errorMessage(error)));
  }

  private async yieldTo(line: SpareLine): Promise<Caller> {
    if (!(await line.caughtUp(PATIENCE))) throw new ConflictException(`The spare at ${line.caller.address} is behind`);
    // A database that has just come back to both is no reason to go.
    if (await this.lease.holds()) throw new ConflictException("The database is back; this server leads on");
    this.lease.yieldTo(line.caller.id);
    line.tell({ kind: "take" });
    const isTaken = await line.caughtUp(HANDING);
    if (isTaken) this.lease.standBy();
    else this.lease.keepOut();
    // It begins anew as one that follows as soon as it can.
    this.subscriptions.add(this.watch.away.pipe(first((away) => !away)).subscribe(() => this.lease.lost.next(true)));
    return line.caller;
  }

  private tell(message: Message): void {
    if (!this.lease.leads) return;
    for (const line of this.lines.values()) line.tell(message);
  }

  private async tellSettings(only?: SpareLine): Promise<void> {
    if (!only && this.lines.size === 0) return;
    const { on, address, universes } = await this.runs.output();
    const { on: hears, address: at, show, from } = this.osc.state();
    const message: Message = { kind: "settings", output: { on, address, universes }, osc: { on: hears, address: at, show, from } };
    if (only) only.tell(message);
    else this.tell(message);
  }

  /** Tells all that runs, of one show or of all. */
  private async tellRunning(line: SpareLine, only?: number): Promise<void> {
    const running = await this.runs.running();
    for (const run of running) if (only === undefined || run.written.show === only) line.tell({ kind: "run", run });
    if (only !== undefined && !running.some(({ written }) => written.show === only)) line.tell({ kind: "removed", show: only });
  }

  private closeAll(): void {
    for (const line of this.lines.values()) line.close();
    this.lines.clear();
  }
}
