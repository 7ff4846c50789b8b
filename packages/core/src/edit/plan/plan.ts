import type { Step } from "../steps/step.ts";

/**
 * What an edit comes to before it is made: its exact steps, and what the user should be told of them. Empty steps: it changes nothing.
 * Steps must apply one by one in their order to the show that was planned on.
 */
export interface Plan {
  readonly steps: readonly Step[];
  /** Sentences on what the edit left alone, such as attributes that a light does not have. */
  readonly notes?: readonly string[];
}
