/**
 * One list computed by itself, another way than the run of many sources does it (docs/rules.md, Times to Marks): as a row of instructions for each key. Tests hold
 * the run against it.
 */
export * from "./clock.ts";
export * from "./firing.ts";
export * from "./playback.ts";
export * from "./rehearse.ts";
export * from "./track.ts";
