export * from "./report/remark.ts";
export * from "./reading/reading.ts";
export { CHOSEN_COLUMNS, FORMAT_NAMES, type FormatId, type FormatName } from "./door/formatNames.ts";
export type { WriteWishes, Written } from "./door/format.ts";
export { type NamedReading, formatToWrite, readFile, readFiles, writeFile } from "./door/formats.ts";
export type { BundleParts, BundleVersion } from "./bundle/bundle.ts";
