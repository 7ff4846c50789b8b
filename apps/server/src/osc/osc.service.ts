import { type RemoteInfo, type Socket, createSocket } from "node:dgram";
import { join } from "node:path";
import { Injectable, Logger, NotFoundException, type OnModuleDestroy, type OnModuleInit } from "@nestjs/common";
import { ShowError, faultsOf, findRow, readPress } from "@zm/core";
import {
  type OscMessage,
  type OscSettings,
  type OscState,
  type RunEvent,
  beginRunRequest,
  oscSettings,
  placeOfAddress,
  pressRequest,
} from "@zm/protocol";
import { type OscWords, readOsc, writeOsc } from "@zm/protocol/oscPacket";
import { Subject, Subscription, skip } from "rxjs";
import type { z } from "zod";
import { RunService } from "../run/run.service.ts";
import { RunLogService } from "../runlog/runLog.service.ts";
import { Settings } from "../settings.ts";
import { Lease } from "../lease/lease.ts";
import { keepAside } from "../shared/soundFile.ts";
import { readJsonFile, writeJsonFile } from "../shared/jsonFile.ts";
import { Troubles } from "../shared/troubles.ts";
import { expectHosts } from "../output/hosts.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { ShowsService } from "../shows/shows.service.ts";
import { oscCommand } from "./commands.ts";
import { isHeard } from "./isHeard.ts";
import { Listeners } from "./listeners.ts";

/** Off until it is switched on, and then for this machine alone. */
const AT_FIRST: OscSettings = { on: false, address: "127.0.0.1:8765", show: null, from: [] };
const MOST_MESSAGES = 60;
/** So many messages wait to be done; what comes beyond is left out, and that is told. */
const MOST_WAITING = 200;
/** So long after the last one that was left out it is told that this is over; milliseconds. */
const FLOODED = 10_000;
/** What is said by servers like this one. It is not answered: two of them would go on for ever. */
const SAID_HERE = new Set(["/zm/error", "/zm/cue", "/zm/at", "/zm/held", "/zm/show"]);
/** An address that another program has is tried again after so long; milliseconds. */
const AGAIN = 2000;
const TROUBLE = "osc";

/** The door for programs outside: OSC over UDP. They press what a window can press, are told what happens, and receive refusals as messages. */
@Injectable()
export class OscService implements OnModuleInit, OnModuleDestroy {
  /** Its settings are others from now on. */
  readonly changed = new Subject<void>();
  private readonly log = new Logger("Osc");
  private readonly path: string;
  private settings: OscSettings;
  private socket: Socket | null = null;
  private fault: string | null = null;
  private readonly listeners = new Listeners();
  private again: NodeJS.Timeout | undefined;
  private waiting = 0;
  private leftOut = 0;
  private flooded: NodeJS.Timeout | undefined;
  private readonly messages: OscMessage[] = [];
  private readonly subscriptions = new Subscription();
  /** Messages are done one after the other, in the order in which they come. */
  private queue: Promise<void> = Promise.resolve();
  /** The show that was spoken to last, and where its lists stood after the newest event. */
  private spoken: number | null = null;
  private stood: Readonly<Record<string, string | null>> = {};

  constructor(
    private readonly runs: RunService,
    private readonly shows: ShowsService,
    private readonly runLog: RunLogService,
    private readonly troubles: Troubles,
    private readonly lease: Lease,
    settings: Settings,
  ) {
    this.path = join(settings.runs, "osc.json");
    this.settings = this.readSettings();
    if (settings.osc !== undefined) this.settings = { ...this.settings, on: true, address: settings.osc };
    this.subscriptions.add(lease.role.pipe(skip(1)).subscribe(() => void this.listenAnew()));
    this.subscriptions.add(this.runs.changes.subscribe((event) => this.tell(event)));
  }

  async onModuleInit(): Promise<void> {
    await this.listen();
  }

  async onModuleDestroy(): Promise<void> {
    clearTimeout(this.flooded);
    this.subscriptions.unsubscribe();
    await this.queue;
    await this.close();
  }

  state(): OscState {
    return { ...this.settings, fault: this.fault, messages: this.messages };
  }

  /** Listens as the settings say from now on, and keeps them. Throws ShowError for a host that cannot be found; then nothing has changed. */
  async set({ from = this.settings.from, ...rest }: OscSettings): Promise<OscState> {
    const settings = { ...rest, from: [...new Set(from)] };
    await expectHosts([settings.address]);
    this.troubles.set(`damaged ${TROUBLE}`, null);
    writeJsonFile(this.path, settings);
    this.settings = settings;
    await this.listenAnew();
    this.changed.next();
    return this.state();
  }

  /** Keeps the settings of the server that leads, for when this one does. */
  keepSettings({ from = [], ...rest }: OscSettings): void {
    this.settings = { ...rest, from };
    writeJsonFile(this.path, this.settings);
  }

  /** Listens no more: another server does from now on. */
  stopListening(): Promise<void> {
    return this.close();
  }

  /** Listens as the settings say, where this server leads. */
  async listenAnew(): Promise<void> {
    await this.close();
    await this.listen();
  }

  /** The address at which programs outside are listened to; null while nobody is. */
  get address(): string | null {
    return this.socket && this.fault === null ? this.settings.address : null;
  }

  /** The show that programs outside speak to: the one that was set, else the one on stage, else the first there is. Throws NotFoundException where there is none. */
  async target(): Promise<number> {
    const wanted = this.settings.show ?? (await this.runs.output()).show;
    if (wanted !== null) return wanted;
    const [first] = await this.shows.list();
    if (!first) throw new NotFoundException("There is no show yet");
    return first.id;
  }

  private listen(): Promise<void> {
    this.fault = null;
    this.troubles.set(`${TROUBLE} listens`, null);
    // One server alone listens: another would press everything a second time.
    if (!this.settings.on || !this.lease.leads) return Promise.resolve();
    const { host, port } = placeOfAddress(this.settings.address);
    const socket = createSocket("udp4");
    this.socket = socket;
    socket.on("message", (packet, from) => this.take(packet, from));
    return new Promise((resolve) => {
      socket.on("error", (error) => {
        this.fault = `Nobody can be listened to at ${this.settings.address}: ${errorMessage(error)}`;
        this.log.warn(this.fault);
        this.troubles.set(`${TROUBLE} listens`, this.fault);
        // Whoever has the port now may let go of it, such as a server that has led until now.
        this.again = setTimeout(() => void this.listenAnew(), AGAIN);
        this.again.unref();
        resolve();
      });
      socket.bind(port, host, () => resolve());
    });
  }

  private close(): Promise<void> {
    clearTimeout(this.again);
    const { socket } = this;
    this.socket = null;
    this.listeners.clear();
    return new Promise((resolve) => {
      if (!socket) return resolve();
      try {
        socket.close(() => resolve());
      } catch {
        // One that could not be opened is not open.
        resolve();
      }
    });
  }

  /** The settings as they were kept. A file that is damaged is put aside, and nobody is listened to. */
  private readSettings(): OscSettings {
    const { data, exists } = readJsonFile(this.path);
    const kept = oscSettings.safeParse(data);
    if (kept.success) return kept.data;
    if (exists)
      this.troubles.set(
        `damaged ${TROUBLE}`,
        `OSC is off: its stored settings are damaged; they are kept as ${keepAside(this.path)}. Set it in Rig, OSC`,
      );
    return AT_FIRST;
  }

  private take(packet: Buffer, from: RemoteInfo): void {
    if (!isHeard(from.address, this.settings)) return this.leaveStranger(from);
    const who = this.listeners.hear(from.address, from.port, Date.now());
    let all: OscWords[];
    try {
      all = readOsc(packet);
    } catch {
      return this.send(who, { address: "/zm/error", args: ["", "This is no OSC message"] });
    }
    for (const message of all) {
      if (SAID_HERE.has(message.address)) continue;
      if (this.waiting >= MOST_WAITING) {
        this.leaveOut(who, message);
        continue;
      }
      this.waiting += 1;
      this.queue = this.queue.then(() => this.do(message, who)).finally(() => (this.waiting -= 1));
    }
  }

  /** A machine that is not listed is not listened to and gets no answer; that it spoke is told once while its words are still to be seen. */
  private leaveStranger({ address, port }: RemoteInfo): void {
    const words = `${address} is not among the machines that are listened to`;
    if (this.messages.some((message) => message.words === words)) return;
    this.keep({ at: Date.now(), way: "in", who: `${address}:${port}`, words });
  }

  /** A message more than can be done is left out; windows are told, and whoever sent the first of them. */
  private leaveOut(who: string, { address }: OscWords): void {
    this.leftOut += 1;
    if (this.leftOut === 1)
      this.send(who, { address: "/zm/error", args: [address, "More messages came at once than can be done; this one was left out"] });
    clearTimeout(this.flooded);
    this.flooded = setTimeout(() => {
      this.leftOut = 0;
      this.troubles.set(TROUBLE, null);
    }, FLOODED);
    this.flooded.unref();
    if (this.leftOut === 1 || this.leftOut % 1000 === 0)
      this.troubles.set(TROUBLE, `More OSC messages come than can be done, the last from ${who}; some are left out`);
  }

  /** Does what a message asks for; why it cannot be done goes back as a message. */
  private async do(message: OscWords, who: string): Promise<void> {
    this.note("in", who, message);
    try {
      const command = oscCommand(message);
      const show = await this.target();
      if (show !== this.spoken) [this.spoken, this.stood] = [show, {}];
      if ("hello" in command) this.listeners.greet(who, Date.now());
      if ("hello" in command) await this.greet(show, who);
      else if ("run" in command) await this.begin(show, command.run, message.address, who);
      else if ("runEnds" in command) await this.runLog.callerLeft(show, who);
      else await this.runs.press(show, readPress(held(pressRequest, command.press, message.address)), { by: "osc", who });
    } catch (error) {
      this.send(who, { address: "/zm/error", args: [message.address, errorMessage(error)] });
    }
  }

  /** Begins a run of the run log, which belongs to whoever said so. */
  private async begin(show: number, run: object, address: string, who: string): Promise<void> {
    const { name, speed = 1 } = held(beginRunRequest, run, address);
    await this.runLog.begin(show, name, speed, who);
  }

  /** Tells somebody which show it is, and where each of its lists stands. */
  private async greet(show: number, who: string): Promise<void> {
    const { sheet } = await this.shows.show(show);
    const { mix } = await this.runs.state(show);
    this.send(who, { address: "/zm/show", args: [show, sheet.show.title] });
    for (const [list, { cue }] of Object.entries(mix.lists)) this.send(who, { address: "/zm/at", args: [list, cue ?? ""] });
  }

  /** Tells everybody who listens what has been fired, held or let go of. */
  private tell({ show, fired, cues, change }: RunEvent): void {
    if (!this.socket || this.listeners.size === 0 || show !== this.spoken) return;
    const sheet = this.shows.openSheet(show);
    for (const { list, cue, by } of fired) {
      const own = sheet?.lists.get(list);
      const label = own?.cues[findRow(own, cue)]?.label ?? "";
      this.sendAll({ address: "/zm/cue", args: [list, cue, label, by] });
    }
    for (const [list, cue] of Object.entries(cues)) {
      const wasFired = fired.some((each) => each.list === list && each.cue === cue);
      if (!wasFired && this.stood[list] !== undefined && this.stood[list] !== cue)
        this.sendAll({ address: "/zm/at", args: [list, cue ?? ""] });
    }
    this.stood = cues;
    if ("hold" in change) this.sendAll({ address: "/zm/held", args: [change.list ?? Object.keys(cues)[0] ?? "", change.hold ? 1 : 0] });
  }

  private sendAll(message: OscWords): void {
    for (const who of this.listeners.current(Date.now())) this.send(who, message);
  }

  private send(who: string, message: OscWords): void {
    const listener = this.listeners.get(who);
    if (!listener || !this.socket) return;
    this.note("out", who, message);
    try {
      this.socket.send(writeOsc(message), listener.port, listener.address, (error) => {
        if (error) this.listeners.forget(who);
      });
    } catch (error) {
      this.listeners.forget(who);
      this.log.warn(`${message.address} could not be sent to ${who}: ${errorMessage(error)}`);
    }
  }

  private note(way: OscMessage["way"], who: string, { address, args }: OscWords): void {
    const words = [address, ...args.map((each) => (typeof each === "string" ? `"${each}"` : String(each)))].join(" ").slice(0, 300);
    this.keep({ at: Date.now(), way, who, words });
  }

  private keep(message: OscMessage): void {
    this.messages.unshift(message);
    this.messages.length = Math.min(this.messages.length, MOST_MESSAGES);
  }
}

/** What a message asks for, held against the contract, as what windows ask is. Throws ShowError. */
function held<Shape extends z.ZodType>(shape: Shape, asked: unknown, address: string): z.output<Shape> {
  const parsed = shape.safeParse(asked);
  if (parsed.success) return parsed.data;
  throw new ShowError(`${address}: ${faultsOf(parsed.error, asked).join("; ")}`);
}
