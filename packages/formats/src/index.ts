export * from "./report/remark.ts";
export * from "./reading/reading.ts";
export type { Format, WriteWishes, Written } from "./door/format.ts";
export { FORMATS, type NamedReading, formatOf, formatToWrite, readFile, readFiles, writeFile } from "./door/formats.ts";
export { CHOSEN_COLUMNS } from "./door/tableFormats.ts";
export type { BundleParts, BundleVersion } from "./bundle/bundle.ts";
export { fileName } from "./play/play.ts";
export { writeWorkbook } from "./tables/workbook.ts";
export { type Table, readCsv, writeCsv } from "./tables/table.ts";
