import { type Socket, createSocket } from "node:dgram";
import {
  type Hand,
  type HandLayer,
  type OutputLayout,
  type ShowSheet,
  emptyLevels,
  handLayer,
  layHandOver,
  outputLayout,
  writeLevels,
} from "@zm/core";
import { type SentLevels, placeOfAddress } from "@zm/protocol";
import { now } from "../shared/clock.ts";
import { PreparedPacket } from "./packet.ts";
import type { OutputFile } from "./settingsFile.ts";

/** At rest a packet is sent so often, so that a light that has just been switched on hears of it. Milliseconds. */
const REST = 900;
/** So many packets say that no more comes. */
const LAST_WORDS = 3;

/** What one show puts out: its sheet, what is in hand, and its frame by key ordinal. */
export interface Frame {
  readonly show: number;
  readonly sheet: ShowSheet;
  readonly hand: Hand | null;
  readonly values: Float64Array;
  /** By ordinal, what runs without its waves; and the beats of each tempo as it goes now. */
  readonly still: (ordinal: number) => number;
  readonly tempos: ReadonlyMap<string, number>;
}

/** A rig laid out for sending. */
interface LaidOut {
  readonly sheet: Pick<ShowSheet, "keys">;
  readonly channels: ShowSheet["show"]["channels"];
  readonly layout: OutputLayout;
  readonly levels: Uint8Array[];
  readonly packets: PreparedPacket[];
}

/** Sends the levels of the show on stage as E1.31 data packets, one for each universe in use (section 11 of the running rules). */
export class OutputSender {
  private readonly socket: Socket = createSocket("udp4");
  private laidOut: LaidOut | undefined;
  private layer: { readonly of: Hand; readonly sheet: ShowSheet; readonly beats: string; readonly laid: HandLayer } | undefined;
  private sentAt = Number.NEGATIVE_INFINITY;
  private show: number | null = null;

  constructor(
    private readonly file: OutputFile,
    warn: (text: string) => void,
  ) {
    this.socket.unref();
    this.socket.on("error", (error) => warn(`Levels could not be sent: ${error.message}`));
  }

  get isOn(): boolean {
    return this.file.settings.on;
  }

  /** What was sent last. */
  sent(): SentLevels {
    const { layout, levels } = this.laidOut ?? { layout: { universes: [] }, levels: [] };
    return {
      show: this.show,
      universes: Object.fromEntries(layout.universes.map((universe, index) => [universe, [...(levels[index] ?? [])]])),
    };
  }

  /** Sends a frame: at once where something has changed, else often enough that lights know it stands. */
  send(frame: Frame): void {
    const { show, sheet, hand, values, still } = frame;
    const laid = this.layOut(sheet);
    this.show = show;
    if (hand) layHandOver(this.handOf(hand, frame), now(), values, still);
    const changed = writeLevels(laid.layout, values, laid.levels);
    const time = now();
    if (!changed && time - this.sentAt < REST) return;
    this.sentAt = time;
    this.put(laid, false);
  }

  /** Says that no more comes of what was sent. */
  lastWords(): void {
    if (this.laidOut) for (let word = 0; word < LAST_WORDS; word += 1) this.put(this.laidOut, true);
    this.laidOut = undefined;
  }

  /** Says that no more comes, and ends. */
  async end(): Promise<void> {
    this.lastWords();
    await new Promise<void>((resolve) => this.socket.close(() => resolve()));
  }

  private put({ layout, levels, packets }: LaidOut, last: boolean): void {
    layout.universes.forEach((universe, index) => {
      const bytes = levels[index];
      const packet = packets[index];
      if (!bytes || !packet) return;
      const { host, port } = placeOfAddress(this.file.settings.universes[universe] ?? this.file.settings.address);
      // A packet is written over by the next one, which may come before this one has left.
      this.socket.send(Buffer.from(packet.next(bytes, last)), port, host);
    });
  }

  private layOut(sheet: ShowSheet): LaidOut {
    if (this.laidOut?.sheet.keys === sheet.keys && this.laidOut.channels === sheet.show.channels) return this.laidOut;
    const layout = outputLayout(sheet.show, sheet.keys);
    const known = this.laidOut;
    // A universe that stays in use goes on counting.
    const packets = layout.universes.map(
      (universe) => known?.packets[known.layout.universes.indexOf(universe)] ?? new PreparedPacket(universe, this.file.cid),
    );
    this.laidOut = { sheet: { keys: sheet.keys }, channels: sheet.show.channels, layout, levels: emptyLevels(layout), packets };
    this.sentAt = Number.NEGATIVE_INFINITY;
    return this.laidOut;
  }

  private handOf(hand: Hand, { sheet, tempos }: Frame): HandLayer {
    const beats = [...tempos].join();
    if (this.layer?.of !== hand || this.layer.sheet !== sheet || this.layer.beats !== beats)
      this.layer = { of: hand, sheet, beats, laid: handLayer(hand, { ...sheet, perMinute: (tempo) => tempos.get(tempo) }) };
    return this.layer.laid;
  }
}
