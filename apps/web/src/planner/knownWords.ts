import type { KnownBy } from "@zm/core";

/** How a time between two cues is known, in one word, beside the time. */
export const KNOWN_BRIEFLY: Readonly<Record<KnownBy, string>> = { chain: "follows", measured: "in runs", script: "script" };
/** The same in a sentence. */
export const KNOWN_WORDS: Readonly<Record<KnownBy, string>> = { chain: "the chain of follows", measured: "runs", script: "the script" };
