export * from "./report/remark.ts";
export type { AsciiFile } from "./ascii/asciiFile.ts";
export { readAscii } from "./ascii/readAscii.ts";
export { type AsciiWishes, LEVELS_MEAN, type LevelsMean, type ShowReading, looksThatDiffer, showOfAscii } from "./ascii/asciiShow.ts";
export { type WrittenText, writeAscii } from "./ascii/writeAscii.ts";
