import type { LogEntry } from "@zm/core";
import type { Role } from "@zm/protocol";
import type {
  Action,
  Attribute,
  Call,
  FamilyTimesByName,
  ListRunning,
  Mark,
  Marks,
  EditsAfter,
  NewCue,
  PartWaves,
  Patch,
  Place,
  RunMove,
  Script,
  Trigger,
} from "./columnTypes.ts";
import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from "typeorm";

const TEXT = { type: "varchar", length: 200 } as const;
const ID = { type: "varchar", length: 64 } as const;

@Entity("shows")
export class ShowRow {
  @PrimaryGeneratedColumn() id: number;
  @Column(TEXT) title: string;
  @Column({ type: "int" }) revision: number;
  @Column({ type: "simple-json", nullable: true }) script: Script | null;
  /** What a cue starts with when it is recorded and nothing is said of it. */
  @Column({ name: "new_cue", type: "simple-json", nullable: true }) newCue: NewCue | null;
  /** What becomes of looks behind a changed range where nothing is said of it. */
  @Column({ name: "edits_after", type: "varchar", length: 10, nullable: true }) editsAfter: EditsAfter | null;
}

@Entity("fixture_types")
export class FixtureTypeRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn(ID) id: string;
  @Column({ type: "int" }) position: number;
  @Column(TEXT) name: string;
  @Column("simple-json") attributes: Attribute[];
}

@Entity("channels")
export class ChannelRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn({ type: "int" }) number: number;
  @Column({ type: "int" }) position: number;
  @Column(ID) type: string;
  @Column({ ...TEXT, nullable: true }) label: string | null;
  @Column({ type: "simple-json", nullable: true }) patch: Patch | null;
  @Column({ type: "simple-json", nullable: true }) place: Place | null;
  /** True for a light that stays; null for all others. */
  @Column({ type: "boolean", nullable: true }) house: true | null;
}

@Entity("channel_groups")
export class GroupRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn(ID) id: string;
  @Column({ type: "int" }) position: number;
  @Column(TEXT) label: string;
  @Column("simple-json") channels: number[];
}

@Entity("palettes")
export class PaletteRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn(ID) id: string;
  @Column({ type: "int" }) position: number;
  @Column({ type: "varchar", length: 20 }) family: string;
  @Column(TEXT) label: string;
  /** The times that are laid on moves when it is given. */
  @Column({ type: "simple-json", nullable: true }) times: object | null;
}

@Entity("palette_values")
export class PaletteValueRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn({ name: "palette_id", ...ID }) paletteId: string;
  @PrimaryColumn({ type: "int" }) position: number;
  @Column(ID) attribute: string;
  @Column("double") value: number;
  @Column({ ...ID, nullable: true }) type: string | null;
  @Column({ type: "int", nullable: true }) channel: number | null;
}

@Entity("paces")
export class PaceRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn(ID) id: string;
  @Column({ type: "int" }) position: number;
  @Column(TEXT) label: string;
  @Column("simple-json") timing: object;
}

@Entity("cue_lists")
export class ListRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn(ID) id: string;
  @Column({ type: "int" }) position: number;
  @Column(TEXT) label: string;
  @Column({ type: "simple-json", nullable: true }) marks: Marks | null;
  /** How it runs beside others: priority, levels, master, fader, steps. */
  @Column({ type: "simple-json", nullable: true }) running: ListRunning | null;
}

@Entity("held_looks")
export class HeldLookRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn(ID) id: string;
  @Column({ type: "int" }) position: number;
  @Column(TEXT) label: string;
  /** Its values, and how they count. */
  @Column("simple-json") settings: object;
}

@Entity("tempos")
export class TempoRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn(ID) id: string;
  @Column({ type: "int" }) position: number;
  @Column(TEXT) label: string;
  @Column({ name: "per_minute", type: "double" }) perMinute: number;
}

/** What else stands beside the cues: pages of the shelf, notes, ready movements, colour lists. */
@Entity("show_entries")
export class EntryRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn({ type: "varchar", length: 20 }) kind: string;
  @PrimaryColumn(ID) id: string;
  @Column({ type: "int" }) position: number;
  @Column("simple-json") data: object;
}

@Entity("cues")
export class CueRow {
  /** Its identity, which stays when it takes another number. */
  @PrimaryGeneratedColumn() id: number;
  @Column({ name: "show_id", type: "int" }) showId: number;
  @Column({ name: "list_id", ...ID }) listId: string;
  /** The cue number in whole thousandths. */
  @Column({ type: "int" }) number: number;
  @Column({ ...TEXT, nullable: true }) label: string | null;
  @Column({ type: "text", nullable: true }) note: string | null;
  @Column({ type: "varchar", length: 60, nullable: true }) scene: string | null;
  @Column({ type: "boolean", nullable: true }) block: boolean | null;
  @Column({ type: "boolean", nullable: true }) restate: boolean | null;
  @Column({ type: "varchar", length: 20, nullable: true }) carries: string | null;
  @Column({ name: "fires_on", type: "simple-json", nullable: true }) trigger: Trigger | null;
  @Column({ type: "simple-json", nullable: true }) mark: Mark | null;
  @Column({ name: "called_at", type: "simple-json", nullable: true }) call: Call | null;
  @Column({ type: "simple-json", nullable: true }) actions: Action[] | null;
  /** What it does to waves alone. */
  @Column({ type: "varchar", length: 10, nullable: true }) waves: string | null;
}

@Entity("parts")
export class PartRow {
  @PrimaryGeneratedColumn() id: number;
  @Column({ name: "cue_id", type: "int" }) cueId: number;
  @Column({ type: "int" }) number: number;
  @Column({ ...TEXT, nullable: true }) label: string | null;
  @Column({ type: "varchar", length: 20, nullable: true }) curve: string | null;
  @Column({ name: "up_time", type: "double", nullable: true }) up: number | null;
  @Column({ name: "down_time", type: "double", nullable: true }) down: number | null;
  @Column({ name: "up_delay", type: "double", nullable: true }) upDelay: number | null;
  @Column({ name: "down_delay", type: "double", nullable: true }) downDelay: number | null;
  @Column({ name: "family_times", type: "simple-json", nullable: true }) families: FamilyTimesByName | null;
  @Column({ type: "simple-json", nullable: true }) waves: PartWaves | null;
}

@Entity("moves")
export class MoveRow {
  @PrimaryColumn({ name: "part_id", type: "int" }) partId: number;
  @PrimaryColumn({ type: "int" }) channel: number;
  @PrimaryColumn(ID) attribute: string;
  @Column({ type: "double", nullable: true }) value: number | null;
  @Column({ ...ID, nullable: true }) palette: string | null;
  @Column("boolean") released: boolean;
  @Column({ type: "double", nullable: true }) fade: number | null;
  @Column({ type: "double", nullable: true }) delay: number | null;
  @Column({ type: "varchar", length: 20, nullable: true }) curve: string | null;
}

/** One entry of a show's history: what an edit changed, exactly. */
@Entity("edits")
export class EditRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn({ type: "int" }) revision: number;
  @Column({ type: "varchar", length: 10 }) kind: "edit" | "undo" | "redo";
  /** The revision that an undo or a redo speaks of. */
  @Column({ name: "of_revision", type: "int", nullable: true }) ofRevision: number | null;
  @Column({ type: "varchar", length: 400 }) summary: string;
  @Column({ type: "longtext" }) steps: string;
  @Column({ name: "made_at", type: "datetime" }) madeAt: Date;
  /** The window that made it. */
  @Column({ name: "made_by", type: "varchar", length: 64, nullable: true }) madeBy: string | null;
  /** Who made it, where people had accounts. */
  @Column({ type: "varchar", length: 40, nullable: true }) person: string | null;
  /** Where the running list stood with it, for an edit that was made together with the run. */
  @Column({ type: "simple-json", nullable: true }) run: RunMove | null;
  /** The name of its own that the request carried: the same one twice is done once. */
  @Column({ type: "varchar", length: 64, nullable: true }) request: string | null;
  /** In how many rows of their own the steps of a large edit are kept; null where they stand here, below 0 where the edit that this one takes back or makes again keeps so many. */
  @Column({ type: "int", nullable: true }) pieces: number | null;
}

/** Somebody who may in. */
@Entity("accounts")
export class AccountRow {
  @PrimaryGeneratedColumn() id: number;
  @Column({ type: "varchar", length: 40 }) name: string;
  /** The name as it is compared. */
  @Column({ name: "name_key", type: "varchar", length: 80 }) nameKey: string;
  @Column({ type: "varchar", length: 20 }) role: Role;
  /** Its hash. */
  @Column({ type: "varchar", length: 200 }) password: string;
  @Column({ name: "made_at", type: "datetime" }) madeAt: Date;
}

/** A browser in which somebody is signed in. */
@Entity("sessions")
export class SessionRow {
  /** A digest of what the browser carries. */
  @PrimaryColumn({ type: "char", length: 64 }) token: string;
  @Column({ name: "account_id", type: "int" }) accountId: number;
  @Column({ name: "seen_at", type: "datetime" }) seenAt: Date;
}

/** An invitation that nobody has used yet. */
@Entity("invitations")
export class InvitationRow {
  @PrimaryGeneratedColumn() id: number;
  /** A digest of the code. */
  @Column({ type: "char", length: 64 }) code: string;
  @Column({ type: "varchar", length: 20 }) role: Role;
  @Column({ name: "made_by", type: "varchar", length: 40, nullable: true }) madeBy: string | null;
  @Column({ name: "ends_at", type: "datetime" }) endsAt: Date;
}

/** A piece of the steps of a large edit. */
@Entity("edit_pieces")
export class EditPieceRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn({ type: "int" }) revision: number;
  @PrimaryColumn({ type: "int" }) piece: number;
  @Column({ type: "longtext" }) steps: string;
}

/** A state of a show that has a name. */
@Entity("versions")
export class VersionRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  /** The revision after which the show was like that. */
  @PrimaryColumn({ type: "int" }) revision: number;
  @Column({ type: "varchar", length: 200 }) name: string;
  @Column({ name: "made_at", type: "datetime" }) madeAt: Date;
}

/** A finding that somebody has accepted, by its identity in the core. */
@Entity("accepted_findings")
export class AcceptedRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @PrimaryColumn({ type: "char", length: 16 }) finding: string;
  @Column({ type: "varchar", length: 500 }) note: string;
  @Column({ name: "made_at", type: "datetime" }) madeAt: Date;
}

/** What is in hand for a show. */
@Entity("hands")
export class HandRow {
  @PrimaryColumn({ name: "show_id", type: "int" }) showId: number;
  @Column({ type: "longtext" }) hand: string;
  /** A Hand that could not be read any more, kept as it was found. */
  @Column({ type: "longtext", nullable: true }) damaged: string | null;
}

/** A run of a show: what was fired between its beginning and the next. */
@Entity("runs")
export class RunRow {
  @PrimaryGeneratedColumn() id: number;
  @Column({ name: "show_id", type: "int" }) showId: number;
  @Column({ type: "varchar", length: 200 }) name: string;
  /** Milliseconds since 1970. */
  @Column({ type: "double" }) began: number;
  @Column({ type: "double" }) speed: number;
  /** Who began it: `window`, or the address of a caller; null where it began by itself. */
  @Column({ type: "varchar", length: 64, nullable: true }) owner: string | null;
  @Column({ type: "boolean" }) counts: boolean;
  /** When it was ended, milliseconds since 1970; null for one that was not. */
  @Column({ type: "double", nullable: true }) ended: number | null;
}

/** One entry of a run log. */
@Entity("run_log")
export class LogRow {
  @PrimaryColumn({ type: "char", length: 36 }) id: string;
  @Column({ name: "run_id", type: "int" }) runId: number;
  @Column({ type: "double" }) at: number;
  /** Counts the entries of a run as they came: the order of those of one moment. */
  @Column({ type: "int" }) place: number;
  @Column({ name: "list_id", ...ID }) list: string;
  @Column({ type: "varchar", length: 12, nullable: true }) cue: string | null;
  @Column({ type: "varchar", length: 10 }) how: LogEntry["how"];
  @Column({ name: "fired_by", type: "varchar", length: 10 }) by: LogEntry["by"];
  @Column({ type: "varchar", length: 64 }) who: string;
  /** How many steps the list has made by itself from there on. */
  @Column({ type: "int", nullable: true }) steps: number | null;
}

export const entities = [
  ShowRow,
  FixtureTypeRow,
  ChannelRow,
  GroupRow,
  PaletteRow,
  PaletteValueRow,
  PaceRow,
  ListRow,
  HeldLookRow,
  TempoRow,
  EntryRow,
  CueRow,
  PartRow,
  MoveRow,
  EditRow,
  EditPieceRow,
  VersionRow,
  AcceptedRow,
  HandRow,
  RunRow,
  LogRow,
  AccountRow,
  SessionRow,
  InvitationRow,
];
