import type { MarkSettings } from "../show/schema.ts";

/** When lights are prepared (docs/rules.md, Marks). */
export type MarkPolicy = NonNullable<MarkSettings["policy"]>;

/**
 * The policies in words, in the order in which they are offered.
 * Said after what is prepared: "prepared just before", "moves in view".
 */
export const POLICY_WORDS: Readonly<Record<MarkPolicy, string>> = { before: "just before", dark: "as soon as it is dark", view: "in view" };

/**
 * The policies in the order in which they are offered.
 * `before` is what a list has that says nothing.
 */
export const POLICIES: readonly MarkPolicy[] = ["before", "dark", "view"];
