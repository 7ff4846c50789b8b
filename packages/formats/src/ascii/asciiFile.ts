import type { Remark } from "../report/remark.ts";

/** Times of a cue or a part as the text has them; seconds. What the text does not say is absent. */
export interface AsciiTimes {
  readonly up?: number;
  readonly upDelay?: number;
  readonly down?: number;
  readonly downDelay?: number;
}

/** What a cue, a part of one, a group and a submaster have in common. Levels by channel, per cent, in the order in which they stand. */
export interface AsciiBody {
  readonly line: number;
  readonly text: string;
  readonly comments: readonly string[];
  readonly times: AsciiTimes;
  readonly levels: ReadonlyMap<number, number>;
}

/** A cue of the text. `page` tells lists apart; the first is 1. `followOn`, seconds; `fromComplete` where our own line says so. */
export interface AsciiCue extends AsciiBody {
  readonly number: string;
  readonly page: number;
  readonly followOn?: number;
  readonly fromComplete?: boolean;
  readonly link?: string;
  readonly parts: ReadonlyMap<number, AsciiBody>;
}

/** A group or a submaster. */
export interface AsciiItem extends AsciiBody {
  readonly number: string;
}

/** A channel on a dimmer; `level` is what the dimmer gives at full, per cent. */
export interface AsciiPatch {
  readonly line: number;
  readonly channel: number;
  readonly dimmer: number;
  readonly level: number;
}

/** A line that a list here has no place for, as it stands, and the cue that it belongs to, where it belongs to one. */
export interface AsciiAside {
  readonly line: number;
  readonly text: string;
  readonly cue?: { readonly page: number; readonly number: string };
}

/**
 * An ASCII text read into what it says, before anybody decides what that means for a list.
 * `title` is the first comment of the file, where it has one before anything else.
 */
export interface AsciiFile {
  readonly title: string;
  readonly maker: string;
  /** The labels of lists by page, where our own lines say so. */
  readonly pages: ReadonlyMap<number, string>;
  readonly cues: readonly AsciiCue[];
  readonly groups: readonly AsciiItem[];
  readonly subs: readonly AsciiItem[];
  readonly patch: readonly AsciiPatch[];
  readonly aside: readonly AsciiAside[];
  readonly remarks: readonly Remark[];
}
