import { FORMAT_NAMES, type FormatName } from "@zm/formats";

const ALL: readonly FormatName[] = FORMAT_NAMES;
const READ = ALL.filter(({ ways }) => ways !== "written");

/** The formats in which a show is written, in the order in which they are offered. */
export const WRITTEN = ALL.filter(({ ways }) => ways !== "read");

/** The endings of all files that are read, for the window in which files are chosen. */
export const ENDINGS = [...new Set(READ.flatMap(({ endings }) => endings))].join(",");

/** The files that are read. */
export const READABLE = READ;
