import type { OscSettings } from "@zm/protocol";
import { isFromHere } from "../door/addresses.ts";

/** Whether a program at an address is listened to: on this machine always, on another where that is listed. */
export function isHeard(address: string, { from = [] }: Pick<OscSettings, "from">): boolean {
  return isFromHere(address) || from.includes(address);
}
