import { type Show, writeRigCsv } from "@zm/core";
import { type Table, readCsv } from "./table.ts";

/** The rig as a table: a row for each light, with its type, patch and place. */
export function rigTable(show: Pick<Show, "channels">): Table {
  return readCsv(writeRigCsv(show), "Patch");
}
