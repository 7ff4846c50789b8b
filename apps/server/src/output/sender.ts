import { type Socket, createSocket } from "node:dgram";
import {
  type Hand,
  type HandLayer,
  type OutputLayout,
  type ShowSheet,
  emptyLevels,
  handLayer,
  applyOverlay,
  type Overlay,
  applyHand,
  outputLayout,
  writeLevels,
} from "@zm/core";
import { type SentLevels, isAddress, placeOfAddress } from "@zm/protocol";
import { now } from "../shared/clock.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { Hosts } from "./hosts.ts";
import { PreparedPacket } from "./packet.ts";
import type { OutputFile } from "./settingsFile.ts";

/** At rest a packet is sent so often, so that a light that has just been switched on receives it. Milliseconds. */
const REST = 900;
/** So many packets say that no more comes. */
const LAST_WORDS = 3;
/** Host names are looked for again so often; milliseconds. */
const LOOKING = 60_000;

/** The priority of a server that leads. */
export const LEADING = 100;

/** What one show puts out: its sheet, what is in hand, and its frame by key ordinal. */
export interface Frame {
  readonly show: number;
  readonly sheet: ShowSheet;
  readonly hand: Hand | null;
  readonly values: Float64Array;
  /** By ordinal, what runs without its waves; and the beats of each tempo as it goes now. */
  readonly withoutWaves: (ordinal: number) => number;
  readonly tempos: ReadonlyMap<string, number>;
  /** What lies over it: grand master, blackout, solo, parked and flashing lights. */
  readonly overlay: Overlay;
}

/** A rig laid out for sending. */
interface LaidOut {
  readonly show: number;
  readonly sheet: Pick<ShowSheet, "keys">;
  readonly channels: ShowSheet["show"]["channels"];
  readonly layout: OutputLayout;
  readonly levels: Uint8Array[];
  readonly packets: PreparedPacket[];
}

/** Sends the levels of the show on stage as E1.31 data packets, one for each universe in use (docs/running.md, Output). Nothing that goes wrong with sending comes through. */
export class OutputSender {
  private readonly socket: Socket;
  private readonly hosts = new Hosts(() => this.tellFault());
  private readonly looking: NodeJS.Timeout;
  private laidOut: LaidOut | undefined;
  private layer: { readonly of: Hand; readonly sheet: ShowSheet; readonly beats: string; readonly laid: HandLayer } | undefined;
  private sentAt = Number.NEGATIVE_INFINITY;
  /** By it receivers choose among servers that send to them (E1.31, 6.2.3). */
  private priority = LEADING;
  /** By universe, for good: one that comes into use again goes on counting. */
  private readonly packets = new Map<number, PreparedPacket>();
  /** By universe, why it could not be sent last. */
  private readonly failures = new Map<number, string>();
  private reported: string | null = null;

  /** `tell` hears what is wrong with the output, and null when it is right again. */
  constructor(
    private readonly file: OutputFile,
    private readonly tell: (fault: string | null) => void,
  ) {
    // Addresses are numbers by the time a packet is sent, so nothing is looked up for it.
    this.socket = createSocket({ type: "udp4", lookup: (host, _options, found) => found(null, host, 4) });
    this.socket.unref();
    this.socket.on("error", (error) => this.fail(0, errorMessage(error)));
    this.looking = setInterval(() => void this.hosts.refresh(), LOOKING);
    this.looking.unref();
    this.refreshSettings();
    this.tellFault();
  }

  get isOn(): boolean {
    return this.file.settings.on && this.file.fault === null;
  }

  /** Why nothing is sent, or not all of it; null where all is well. */
  get fault(): string | null {
    if (this.file.fault !== null) return this.file.fault;
    if (!this.file.settings.on) return null;
    if (this.hosts.fault !== null) return `Levels do not leave for every light: ${this.hosts.fault}`;
    const [failed] = this.failures;
    return failed ? `Levels${failed[0] === 0 ? "" : ` of universe ${failed[0]}`} could not be sent: ${failed[1]}` : null;
  }

  /** Begins to send as the settings say by now. Whoever receives at the old addresses has been told by `sendTermination`. */
  refreshSettings(): void {
    const { address, universes } = this.file.settings;
    const all = [address, ...Object.values(universes)];
    const wrong = all.find((each) => !isAddress(each));
    if (wrong !== undefined) this.file.fault = `The output is off: ${wrong} is no host and port; set where levels go in Rig, Output`;
    this.failures.clear();
    this.hosts.want(all.filter(isAddress).map((each) => placeOfAddress(each).host));
    this.tellFault();
  }

  /** What was sent last. */
  sent(): SentLevels {
    if (!this.laidOut) return { show: null, universes: {} };
    const { show, layout, levels } = this.laidOut;
    return { show, universes: Object.fromEntries(layout.universes.map((universe, index) => [universe, [...(levels[index] ?? [])]])) };
  }

  /** Sends a frame: at once where something has changed, else often enough that lights know it stands. */
  send(frame: Frame): void {
    const { hand, values, withoutWaves } = frame;
    const laid = this.layOut(frame);
    if (hand) applyHand(this.handOf(hand, frame), now(), values, withoutWaves);
    applyOverlay(frame.sheet.keys, frame.overlay, values);
    const changed = writeLevels(laid.layout, values, laid.levels);
    const time = now();
    if (!changed && time - this.sentAt < REST) return;
    this.sentAt = time;
    this.put(laid, false);
  }

  /** Sends with another priority from now on, beginning at once with what stands. */
  setPriority(priority: number): void {
    if (this.priority === priority) return;
    this.priority = priority;
    this.sendAgain();
  }

  /** Sends once more what was sent last, where receivers wait for it. */
  hold(): void {
    if (now() - this.sentAt >= REST) this.sendAgain();
  }

  private sendAgain(): void {
    if (!this.laidOut || !this.isOn) return;
    this.sentAt = now();
    this.put(this.laidOut, false);
  }

  /** Says that no more comes of what was sent. */
  sendTermination(): void {
    if (this.laidOut) this.endUniverses(this.laidOut, () => true);
    this.laidOut = undefined;
  }

  /** Says that no more comes, and ends. */
  async end(): Promise<void> {
    clearInterval(this.looking);
    this.sendTermination();
    await new Promise<void>((resolve) => this.socket.close(() => resolve()));
  }

  /** Tells three times that no more comes of universes that were sent. */
  private endUniverses(laid: LaidOut, isOver: (universe: number) => boolean): void {
    for (let word = 0; word < LAST_WORDS; word += 1) this.put(laid, true, isOver);
  }

  private put({ layout, levels, packets }: LaidOut, last: boolean, isMeant: (universe: number) => boolean = () => true): void {
    layout.universes.forEach((universe, index) => {
      const bytes = levels[index];
      const packet = packets[index];
      if (bytes && packet && isMeant(universe)) this.putOne(universe, packet.next(bytes, this.priority, last));
    });
  }

  /** Sends one packet; where that fails the others go all the same. */
  private putOne(universe: number, packet: Buffer): void {
    const { host, port } = placeOfAddress(this.file.settings.universes[universe] ?? this.file.settings.address);
    const numbers = this.hosts.numbersOf(host);
    if (numbers === undefined) return;
    try {
      // A packet is written over by the next one, which may come before this one has left.
      this.socket.send(Buffer.from(packet), port, numbers, (error) => this.fail(universe, error ? errorMessage(error) : null));
    } catch (error) {
      this.fail(universe, errorMessage(error));
    }
  }

  private fail(universe: number, why: string | null): void {
    if (why === null ? !this.failures.delete(universe) : this.failures.get(universe) === why) return;
    if (why !== null) this.failures.set(universe, why);
    this.tellFault();
  }

  private tellFault(): void {
    const { fault } = this;
    if (fault === this.reported) return;
    this.reported = fault;
    this.tell(fault);
  }

  private layOut({ show, sheet }: Frame): LaidOut {
    const known = this.laidOut;
    if (known?.show === show && known.sheet.keys === sheet.keys && known.channels === sheet.show.channels) return known;
    const layout = outputLayout(sheet.show, sheet.keys);
    const packets = layout.universes.map((universe) => this.packetOf(universe));
    // Of a universe that falls out of use no more comes.
    if (known) this.endUniverses(known, (universe) => !layout.universes.includes(universe));
    this.laidOut = { show, sheet: { keys: sheet.keys }, channels: sheet.show.channels, layout, levels: emptyLevels(layout), packets };
    this.sentAt = Number.NEGATIVE_INFINITY;
    return this.laidOut;
  }

  private packetOf(universe: number): PreparedPacket {
    const packet = this.packets.get(universe) ?? new PreparedPacket(universe, this.file.cid);
    this.packets.set(universe, packet);
    return packet;
  }

  private handOf(hand: Hand, { sheet, tempos }: Frame): HandLayer {
    const beats = [...tempos].join();
    if (this.layer?.of !== hand || this.layer.sheet !== sheet || this.layer.beats !== beats)
      this.layer = { of: hand, sheet, beats, laid: handLayer(hand, { ...sheet, perMinute: (tempo) => tempos.get(tempo) }) };
    return this.layer.laid;
  }
}
