import { ShowError } from "@zm/core";
import { notify } from "./notices.ts";

/** Does work that the show may refuse; a refusal is told to the user and gives undefined. */
export function unlessRefused<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof ShowError)) throw error;
    notify(error.firstFault, "trouble");
    return undefined;
  }
}
