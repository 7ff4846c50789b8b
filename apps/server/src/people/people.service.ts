import type { IncomingMessage } from "node:http";
import { ConflictException, ForbiddenException, Injectable, Logger, type OnModuleDestroy, type OnModuleInit } from "@nestjs/common";
import { ANYBODY, type InvitationReply, type PeopleReply, type Person, type Role } from "@zm/protocol";
import { parse } from "cookie";
import { Subject } from "rxjs";
import { DataSource, type EntityManager, LessThan, MoreThan } from "typeorm";
import { Lease } from "../lease/lease.ts";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { AccountRow, InvitationRow, SessionRow } from "../database/entities.ts";
import { isLoopback } from "../door/addresses.ts";
import { Settings } from "../settings.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { accountNamed, addAccount, changePassword, changeRole, keyOf, removeAccount } from "./accounts.ts";
import { isPassword } from "./passwords.ts";
import { digestOf, newCode, newToken, plainCode, sameSecret } from "./tokens.ts";

export const COOKIE = "zm_session";
/** A browser that has not been here for so long signs in again; milliseconds. */
export const SESSION = 30 * 24 * 3_600_000;
/** An invitation ends after so long; milliseconds. */
const INVITATION = 10 * 60_000;
/** That a browser was here is written down so often; milliseconds. */
const SEEN_EVERY = 6 * 3_600_000;
/** It is looked so often for what another program has changed, such as one on this machine's command line; milliseconds. */
const EVERY = 2000;
/** Programs that run beside the server, such as the simulated lights: they look, and tell what they see. */
const LOCAL: Person = { name: "This machine", role: "operator" };

/** A browser that has just been signed in: what it carries from now on. */
export interface SignedIn {
  readonly person: Person;
  readonly token: string;
}

/** Who may in: accounts, the browsers that are signed in, and invitations. They are kept in memory, so that nobody is sent away while the database is. */
@Injectable()
export class PeopleService implements OnModuleInit, OnModuleDestroy {
  /** Something has changed in who may do what. */
  readonly changes = new Subject<void>();
  private readonly log = new Logger("People");
  private accounts: readonly AccountRow[] = [];
  private sessions: ReadonlyMap<string, SessionRow> = new Map();
  private known = "";
  private timer: NodeJS.Timeout | undefined;

  constructor(
    private readonly database: DataSource,
    private readonly watch: DatabaseWatch,
    private readonly settings: Settings,
    private readonly lock: Lease,
  ) {}

  async onModuleInit(): Promise<void> {
    await this.read();
    this.timer = setInterval(() => void this.look(), EVERY);
    this.timer.unref();
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
    this.changes.complete();
  }

  /** Whether anybody has an account. Where nobody has, whoever reaches the server may do everything, and it serves this machine alone. */
  get hasAccounts(): boolean {
    return this.accounts.length > 0;
  }

  /** Who sends a request; null where they have to sign in first. */
  personOf({ headers }: Pick<IncomingMessage, "headers">): Person | null {
    const key = /^Bearer (\S+)$/.exec(headers.authorization ?? "")?.[1];
    if (key !== undefined && this.isProgram(key)) return LOCAL;
    if (!this.hasAccounts) return isLoopback(this.settings.host) ? ANYBODY : null;
    const session = key === undefined ? this.sessionOf(headers.cookie) : this.sessionBehind(key);
    const account = session && this.accounts.find(({ id }) => id === session.accountId);
    return account ? { name: account.name, role: account.role } : null;
  }

  /** A program beside this server, or beside another of its shows. */
  private isProgram(key: string): boolean {
    return sameSecret(key, this.settings.localKey) || (this.lock.secret !== "" && sameSecret(key, this.lock.secret));
  }

  /** Everybody who has an account, and the invitations that are open. */
  async all(): Promise<PeopleReply> {
    this.watch.expect();
    const open = await this.watch.bounded(
      this.database.manager.find(InvitationRow, { where: { endsAt: MoreThan(new Date()) }, order: { id: "ASC" } }),
    );
    const signedIn = [...this.sessions.values()];
    return {
      accounts: this.accounts.map(({ id, name, role, madeAt }) => ({
        name,
        role,
        made: madeAt.toISOString(),
        sessions: signedIn.filter(({ accountId }) => accountId === id).length,
      })),
      invitations: open.map(({ id, role, madeBy, endsAt }) => ({ id, role, by: madeBy, ends: endsAt.getTime() })),
    };
  }

  /** Makes an account. Throws as `addAccount`. */
  add(name: string, role: Role, password: string): Promise<void> {
    return this.changed((manager) => addAccount(manager, name, role, password));
  }

  /** Gives somebody another role. Throws as `changeRole`. */
  setRole(name: string, role: Role): Promise<void> {
    return this.changed((manager) => changeRole(manager, name, role));
  }

  /** Takes an account away, and signs its browsers out. Throws as `removeAccount`. */
  remove(name: string): Promise<void> {
    return this.changed((manager) => removeAccount(manager, name, { evenTheLast: false }));
  }

  /** Signs a browser in. Throws ForbiddenException where name and password do not go together. */
  async signIn(name: string, password: string): Promise<SignedIn> {
    this.watch.expect();
    const account = await this.watch.bounded(this.database.manager.findOneBy(AccountRow, { nameKey: keyOf(name) }));
    if (!(await isPassword(account?.password, password)) || !account) throw new ForbiddenException("Name and password do not go together");
    return this.begin(account);
  }

  /** What lets a window in at the other servers of these shows; null where nobody has an account. It ends with the person's other sessions. */
  async passage({ name }: Person): Promise<string | null> {
    if (name === null || !this.hasAccounts) return null;
    this.watch.expect();
    return (await this.begin(await accountNamed(this.database.manager, name))).token;
  }

  /** Signs this browser out. */
  async signOut({ headers }: Pick<IncomingMessage, "headers">): Promise<void> {
    const session = this.sessionOf(headers.cookie);
    if (session) await this.changed((manager) => manager.delete(SessionRow, { token: session.token }));
  }

  /** Signs somebody out in every browser. */
  async signOutEverywhere({ name }: Person): Promise<void> {
    if (name === null) return;
    await this.changed(async (manager) => manager.delete(SessionRow, { accountId: (await accountNamed(manager, name)).id }));
  }

  /** Gives somebody another password, and signs out every browser but the one that is given back. Throws ForbiddenException for a wrong one. */
  async setPassword({ name }: Person, password: string, next: string): Promise<SignedIn> {
    if (name === null) throw new ConflictException("Nobody is signed in here, so there is no password to change");
    this.watch.expect();
    const account = await accountNamed(this.database.manager, name);
    if (!(await isPassword(account.password, password))) throw new ForbiddenException("This is not the password you have now");
    await this.changed((manager) => changePassword(manager, account, next));
    return this.begin(account);
  }

  /** Makes an invitation; its code is told here and nowhere else. */
  async invite(role: Role, by: Person): Promise<InvitationReply> {
    if (!this.hasAccounts) throw new ConflictException("Make an account for yourself first; then others can be invited");
    const code = newCode();
    const row = Object.assign(new InvitationRow(), {
      code: digestOf(plainCode(code)),
      role,
      madeBy: by.name,
      endsAt: new Date(Date.now() + INVITATION),
    });
    const { id } = await this.changed((manager) => manager.save(row));
    return { id, role, by: by.name, ends: row.endsAt.getTime(), code };
  }

  /** Takes an invitation back. */
  async withdraw(id: number): Promise<void> {
    await this.changed((manager) => manager.delete(InvitationRow, { id }));
  }

  /** Makes the account that somebody was invited to, and signs them in. An invitation is used once. Throws ForbiddenException for one that has ended or never was. */
  async join(code: string, name: string, password: string): Promise<SignedIn> {
    await this.changed(async (manager) => {
      const invited = await manager.findOneBy(InvitationRow, { code: digestOf(plainCode(code)), endsAt: MoreThan(new Date()) });
      const used = invited && (await manager.delete(InvitationRow, { id: invited.id }));
      if (!invited || used?.affected !== 1)
        throw new ForbiddenException("There is no such invitation, or it has ended or been used; ask for another");
      await addAccount(manager, name, invited.role, password);
    });
    return this.begin(await accountNamed(this.database.manager, name));
  }

  private async begin({ id, name, role }: AccountRow): Promise<SignedIn> {
    const token = newToken();
    await this.changed(async (manager) => {
      await manager.delete(SessionRow, { seenAt: LessThan(new Date(Date.now() - SESSION)) });
      await manager.insert(SessionRow, { token: digestOf(token), accountId: id, seenAt: new Date() });
    });
    return { person: { name, role }, token };
  }

  private sessionOf(cookies: string | undefined): SessionRow | undefined {
    const token = parse(cookies ?? "")[COOKIE];
    return token === undefined ? undefined : this.sessionBehind(token);
  }

  /** The session of what a browser carries; undefined for one that has ended. */
  private sessionBehind(token: string): SessionRow | undefined {
    const session = this.sessions.get(digestOf(token));
    if (!session) return undefined;
    const rested = Date.now() - session.seenAt.getTime();
    if (rested > SESSION) return undefined;
    if (rested > SEEN_EVERY && this.lock.leads) this.see(session);
    return session;
  }

  /** Writes down that a browser was here. Where the database is away it is done when it comes again. */
  private see(session: SessionRow): void {
    session.seenAt = new Date();
    this.database.manager
      .update(SessionRow, { token: session.token }, { seenAt: session.seenAt })
      .catch((error: unknown) => this.log.warn(`That a browser was here could not be stored: ${errorMessage(error)}`));
  }

  /** Changes what is stored, all or nothing, and then what is known here. */
  private async changed<T>(change: (manager: EntityManager) => Promise<T>): Promise<T> {
    this.watch.expect();
    const done = await this.watch.bounded(this.database.transaction(change));
    await this.read();
    return done;
  }

  private async look(): Promise<void> {
    if (this.watch.away.value || !this.database.isInitialized) return;
    await this.read().catch((error: unknown) => this.log.warn(`Who may in could not be read: ${errorMessage(error)}`));
  }

  private async read(): Promise<void> {
    const { manager } = this.database;
    const accounts = await this.watch.bounded(manager.find(AccountRow, { order: { id: "ASC" } }));
    const sessions = await this.watch.bounded(manager.find(SessionRow));
    const known = JSON.stringify([accounts.map(({ id, role, name }) => [id, role, name]), sessions.map(({ token }) => token)]);
    this.accounts = accounts;
    this.sessions = new Map(sessions.map((session) => [session.token, session]));
    if (known === this.known) return;
    this.known = known;
    this.changes.next();
  }
}
