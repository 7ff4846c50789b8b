import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import type { ListCache, StillHolds } from "./checkCache.ts";

/**
 * What every rule reads.
 * Built once for each list and look; rules never change it, but for what they keep.
 */
export interface CheckContext {
  readonly sheet: ShowSheet;
  readonly list: ListSheet;
  /** By row: the next row behind it whose wall ends what tracks; the number of rows when there is none. */
  readonly nextWall: Int32Array;
  /** What an earlier look found that still holds; undefined where all is looked at anew. */
  readonly holds?: StillHolds | undefined;
  /** Where this look keeps what it finds for the next. */
  readonly keep: ListCache;
}
