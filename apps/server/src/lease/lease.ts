import type { Server } from "node:net";
import { setTimeout as wait } from "node:timers/promises";
import { Logger, ServiceUnavailableException } from "@nestjs/common";
import { BehaviorSubject } from "rxjs";
import type { EntityManager } from "typeorm";
import type { Settings } from "../settings.ts";
import { steadyNow as now } from "../shared/clock.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { claimFolder } from "./dataFolder.ts";
import { FENCE, type LeaseRow, LeaseTable, type Member, type ServerPlace } from "./leaseTable.ts";
import { BEAT, SILENT, isUnchanged, leadsUntil, takesNow } from "./leaseRules.ts";
import { serverId } from "./serverId.ts";

/** So long a server that starts waits for the one before it to let go; milliseconds. */
const WAITING = 3000;
/** That this server is there is written down so often; milliseconds. */
const JOINING = 5000;

/**
 * What a server does for its shows: it leads (it alone edits and runs them), it follows whoever leads and is ready to take over, it only reads, or it was cut off from
 * the database and its spares, and holds the levels that it sent last.
 */
export type ServerRole = "leads" | "follows" | "reads" | "cutOff";

/**
 * The lease on the shows of a database: it says which server leads, with a number that grows with every leader. The leader renews it all the while; a spare takes it when the
 * leader falls silent (leaseRules). No clock of two machines is compared. The data folder is claimed beside it.
 */
export class Lease {
  readonly role: BehaviorSubject<ServerRole>;
  /** Says that another server leads what this one has led until now. */
  readonly lost = new BehaviorSubject(false);
  /** The moment until which this server leads, for the thread that sends levels. Milliseconds. */
  readonly deadline = new Float64Array(new SharedArrayBuffer(8));
  private readonly log = new Logger("Lease");
  private number = 0;
  private renewed = now();
  /** By spare that may take the lease: when the beat was sent that it answered last. */
  private readonly spares = new Map<string, number>();
  private storedSpares = "";
  private seen: { row: LeaseRow; since: number } | undefined;
  private known: readonly Member[] = [];
  /** To whom this server has handed the lease; it sends its levels until it ends. */
  private handedTo: ServerPlace | null = null;
  /** When something came from the leader last. */
  private heard = Number.NEGATIVE_INFINITY;
  private joined = Number.NEGATIVE_INFINITY;
  private working: Promise<boolean> | undefined;
  private timer: NodeJS.Timeout | undefined;
  private ended = false;
  /** A spare does not take over before it knows what runs. */
  isReady: () => boolean = () => false;

  private constructor(
    private readonly table: LeaseTable,
    public place: ServerPlace,
    role: ServerRole,
    private readonly folder: Server | null,
    /** Why this server only reads; null where it does more. */
    readonly readingBecause: string | null,
    row: LeaseRow | undefined,
    members: readonly Member[] = [],
  ) {
    this.known = members;
    this.role = new BehaviorSubject(role);
    this.deadline[0] = Number.POSITIVE_INFINITY;
    this.number = row?.number ?? 0;
    if (row) this.seen = { row, since: now() };
    if (role === "leads") this.log.warn(`Term ${this.number}: this server leads now`);
    if (role !== "reads") this.beat();
  }

  /** Takes the lease, or finds out who has it. What keeps the database from being reached comes through. */
  static async take(settings: Settings, address = `http://127.0.0.1:${settings.port}`): Promise<Lease> {
    const table = new LeaseTable(settings.database);
    await table.prepare();
    const place = { id: serverId(settings.runs), address, certificate: null };
    const folder = await claimFolder(settings.runs);
    if (!folder) {
      const because = `Another server writes to the data folder ${settings.runs}; this one only reads`;
      return new Lease(table, place, "reads", null, because, undefined);
    }
    const isSpare = settings.spareOf !== undefined;
    const row = await table.read();
    const taken = await takeAtStart(table, row, place, isSpare);
    const members = await table.members();
    if (taken) return new Lease(table, place, "leads", folder, null, taken, members);
    const held = await table.read();
    if (isSpare || members.some(({ id }) => id === place.id)) return new Lease(table, place, "follows", folder, null, held, members);
    folder.close();
    const words = `The server at ${held.address ?? "another address"} (process ${held.pid}) has this database`;
    return new Lease(table, place, "reads", null, `${words}; this server only reads. Stop the other one, or open the shows there`, held);
  }

  get onlyReads(): boolean {
    return this.role.value === "reads";
  }

  /** True once this server has handed the lease to another. */
  get isHanded(): boolean {
    return this.handedTo !== null;
  }

  get leads(): boolean {
    return this.role.value === "leads";
  }

  /** The number of the lease as it was seen last: the fencing number. */
  get term(): number {
    return this.leads ? this.number : (this.seen?.row.number ?? this.number);
  }

  /** What servers of these shows know each other by. */
  get secret(): string {
    return this.seen?.row.secret ?? "";
  }

  /** The server that leads, as it was seen last; null where nobody does. */
  get leader(): ServerPlace | null {
    if (this.handedTo) return this.handedTo;
    if (this.leads) return this.place;
    const row = this.seen?.row;
    return row?.holder && row.address !== null ? { id: row.holder, address: row.address, certificate: row.certificate } : null;
  }

  /** The servers that belong to these shows, as they were seen last. */
  get members(): readonly Member[] {
    return this.known;
  }

  /** Where they are reached. */
  get memberAddresses(): readonly string[] {
    return this.known.map(({ address }) => address);
  }

  /** The spares that may take the lease now. */
  get spareIds(): readonly string[] {
    return this.leads ? [...this.spares.keys()] : (this.seen?.row.spares ?? []);
  }

  /** Writes down where this server is reached. */
  async tellPlace(address: string, certificate: string | null): Promise<void> {
    this.place = { ...this.place, address, certificate };
    if (this.leads) await this.table.tell(this.place, process.pid);
    if (this.role.value === "follows") await this.join();
  }

  /** True while this server leads, or does not need to. Renews the lease. */
  async holds(): Promise<boolean> {
    if (this.role.value === "reads" || this.role.value === "follows" || this.handedTo) return true;
    return this.renew();
  }

  /**
   * Called last before a transaction is confirmed: what a server stores that does not lead any more would be unknown to the one that does. Throws ServiceUnavailableException where
   * another has the lease.
   */
  async fence(manager: EntityManager): Promise<void> {
    const rows: unknown[] = await manager.query(FENCE, [this.place.id, this.number]);
    if (rows.length === 0)
      throw new ServiceUnavailableException("Another server leads these shows by now. Nothing was changed here; it is asked there");
  }

  /** A spare knows all that runs, and may take the lease from now on. Resolves when that is stored. */
  async addSpare(id: string): Promise<void> {
    this.spares.set(id, now());
    if (!(await this.renew())) throw new Error("The lease could not be renewed");
    await this.join();
  }

  /** A spare is no longer up to date. Resolves when it cannot take the lease any more; rejects where the database cannot be told. */
  async dropSpare(id: string): Promise<void> {
    const heard = this.spares.get(id);
    if (heard === undefined) return;
    this.spares.delete(id);
    if (await this.renew()) return;
    this.spares.set(id, heard);
    throw new Error("The database cannot be told that the spare is gone");
  }

  /** A spare has answered a beat that was sent at a moment of this server's clock. */
  heardBySpare(id: string, sent: number): void {
    if (this.spares.has(id)) this.spares.set(id, sent);
    this.setDeadline();
  }

  /** Something has come from the leader. */
  hearLeader(): void {
    this.heard = now();
  }

  /** Hands the lease to a spare. Throws where it is not this server's own any more, or the database does not answer. */
  async handOver(id: string): Promise<void> {
    if (this.handedTo) throw new Error("The lease has gone to another server already");
    const to = (await this.table.members()).find((member) => member.id === id);
    if (!to) throw new Error("The spare is not known in the database");
    // From here on nobody renews it, and the levels go on until this server ends.
    this.handedTo = to;
    await this.working;
    this.deadline[0] = Number.POSITIVE_INFINITY;
    try {
      if (!(await this.table.handOver(this.place.id, this.number, to))) throw new Error("The lease has gone to another server meanwhile");
    } catch (error) {
      this.handedTo = null;
      this.setDeadline();
      throw error;
    }
    this.log.warn(`Term ${this.number} is over: the lease is handed to ${to.address}`);
  }

  /** This server reaches the database no more, and its spare does: it leads no longer, and the spare takes the lease by itself. */
  yieldTo(id: string): void {
    const to = this.known.find((member) => member.id === id);
    if (!to) throw new Error("The spare is not known");
    this.log.warn(`Term ${this.number} is over: the database is away here, and the spare at ${to.address} takes the lease`);
    this.handedTo = to;
    this.deadline[0] = Number.POSITIVE_INFINITY;
  }

  /** The spare leads by now: this server holds its levels, and passes on what it is asked, until it reaches the database again. */
  standBy(): void {
    this.set("cutOff");
  }

  /** The spare has not said that it took the lease: it is not known who has it before the database says so. */
  keepOut(): void {
    this.handedTo = null;
    this.deadline[0] = Number.NEGATIVE_INFINITY;
    this.set("cutOff");
  }

  /** Takes the lease of a leader that has yielded it. Throws where the database does not answer, or another has it. */
  async takeYielded(): Promise<void> {
    await this.takeLease(await this.table.read());
    if (!this.leads) throw new Error("Another server has taken the lease meanwhile");
  }

  /** The leader has handed the lease to this server: it looks at once. */
  async lookNow(): Promise<void> {
    await this.watch();
  }

  /** True where nothing has come from the leader for a while. */
  get isLeaderSilent(): boolean {
    const { seen } = this;
    return seen !== undefined && now() - Math.max(seen.since, this.heard) > 2 * SILENT;
  }

  /** Takes the lease of a leader that is silent because somebody says so. Throws where it lives, or the database does not answer. */
  async takeByHand(): Promise<void> {
    const row = await this.table.read();
    await wait(SILENT, undefined, { ref: false });
    if (now() - this.heard < SILENT) throw new Error("The server that leads is there, and is heard. Hand it over instead");
    if (!isUnchanged(row, await this.table.read()))
      throw new Error("The server that leads is there: it has the lease and renews it. Hand it over instead");
    await this.takeLease(row);
    if (!this.leads) throw new Error("Another server has taken the lease meanwhile");
  }

  /** Forgets a server that is no more. */
  async forget(id: string): Promise<void> {
    await this.table.forget(id);
    this.known = await this.table.members();
  }

  /** Lets go of everything. */
  async end(): Promise<void> {
    this.ended = true;
    clearTimeout(this.timer);
    this.folder?.close();
    if (this.leads && !this.handedTo) await this.table.release(this.place.id, this.number).catch(() => undefined);
    this.table.end();
  }

  private set(role: ServerRole): void {
    if (this.role.value !== role) this.role.next(role);
  }

  private beat(): void {
    this.timer = setTimeout(() => {
      void this.work().finally(() => {
        if (!this.ended) this.beat();
      });
    }, BEAT);
    this.timer.unref();
  }

  private async work(): Promise<void> {
    try {
      if (this.handedTo) return;
      if (this.role.value === "follows") await this.watch();
      else await Promise.race([this.renew(), wait(BEAT, undefined, { ref: false })]);
      if (now() - this.joined > JOINING && (this.role.value === "follows" || this.known.length > 0)) await this.join();
    } catch (error) {
      this.log.debug(errorMessage(error));
    }
    this.lookAtDeadline();
  }

  private async join(): Promise<void> {
    this.joined = now();
    await this.table.join(this.place);
    this.known = await this.table.members();
  }

  /** Renews the lease, with the spares that there are by now. True where it is this server's own. */
  private async renew(): Promise<boolean> {
    const isOwn = await this.renewOnce();
    // What was asked for while a renewal was on its way is in the next one.
    return this.storedSpares === [...this.spares.keys()].join() || this.ended ? isOwn : this.renewOnce();
  }

  /** One renewal at a time: who asks meanwhile waits for the one under way. */
  private renewOnce(): Promise<boolean> {
    return (this.working ??= this.renewNow().finally(() => (this.working = undefined)));
  }

  private async renewNow(): Promise<boolean> {
    const sent = now();
    const spares = [...this.spares.keys()];
    if (this.handedTo) return false;
    try {
      if (!(await this.table.renew(this.place.id, this.number, spares))) return this.handedTo ? false : await this.lookWhoHasIt();
      this.renewed = sent;
      this.storedSpares = spares.join();
      this.setDeadline();
      if (this.role.value === "cutOff") {
        this.log.warn(`Term ${this.number}: the database is reached again and nobody has taken the lease; this server leads again`);
        this.set("leads");
      }
      return true;
    } catch (error) {
      this.log.debug(errorMessage(error));
      return false;
    }
  }

  /** The lease is not this server's own: another has it, or the database is another. */
  private async lookWhoHasIt(): Promise<boolean> {
    const row = await this.table.read();
    this.seen = { row, since: now() };
    if (row.holder === null && (await this.table.give(row, this.place, process.pid))) {
      this.number = row.number + 1;
      return true;
    }
    if (this.lost.value) return false;
    this.log.error(
      `Term ${this.number} is over: by now the server at ${row.address ?? "another address"} has the lease, in term ${row.number}`,
    );
    this.deadline[0] = Number.NEGATIVE_INFINITY;
    this.set("cutOff");
    this.lost.next(true);
    return false;
  }

  /** Looks at the lease of another, and takes it where it has to. */
  private async watch(): Promise<void> {
    const row = await this.table.read();
    const before = this.seen;
    this.seen = before && isUnchanged(before.row, row) ? { row, since: before.since } : { row, since: now() };
    if (!this.isReady() || !takesNow({ lease: row, since: this.seen.since, heard: this.heard }, this.place.id, now())) return;
    await this.takeLease(row);
  }

  private async takeLease(row: LeaseRow): Promise<void> {
    const isHandedOver = row.holder === this.place.id;
    if (!isHandedOver && !(await this.table.give(row, this.place, process.pid))) return;
    this.number = isHandedOver ? row.number : row.number + 1;
    this.renewed = now();
    this.spares.clear();
    this.storedSpares = "";
    this.setDeadline();
    this.log.warn(`Term ${this.number}: this server leads now${isHandedOver ? ", by hand" : ""}`);
    this.set("leads");
  }

  private setDeadline(): void {
    this.deadline[0] = leadsUntil({ renewed: this.renewed, spares: this.spares });
  }

  private lookAtDeadline(): void {
    if (!this.leads || this.handedTo || now() <= (this.deadline[0] ?? 0)) return;
    this.log.error(`Term ${this.number}: neither the database nor the spare answers; this server holds its levels and leads no more`);
    this.set("cutOff");
  }
}

/** Takes the lease when a server starts, where nobody has it: given back, or its holder silent. Null where another has it. */
async function takeAtStart(table: LeaseTable, first: LeaseRow, place: ServerPlace, isSpare: boolean): Promise<LeaseRow | null> {
  let seen = { row: first, since: now() };
  for (const until = now() + WAITING; now() < until;) {
    const { row } = seen;
    // A spare that starts does not know what runs: it leads only where nobody has led, or everybody has let go.
    const isFree = row.holder === null;
    // A spare that knows all that runs takes it sooner than the server that led before.
    const isOwn = row.holder === place.id && now() - seen.since > (row.spares.length === 0 ? 2 * BEAT : 2 * SILENT);
    const isDead = !isSpare && now() - seen.since > (row.spares.length === 0 ? SILENT : WAITING - SILENT);
    if ((isFree || isOwn || isDead) && (await table.give(row, place, process.pid))) {
      return { ...row, number: row.number + 1, holder: place.id };
    }
    await wait(BEAT / 2);
    const next = await table.read();
    const isSame = isUnchanged(row, next);
    // Somebody who renews it is there.
    if (!isSame && next.holder !== null && next.number === row.number) return null;
    seen = isSame ? { row: next, since: seen.since } : { row: next, since: now() };
  }
  return null;
}
