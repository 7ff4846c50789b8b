import type { ShowSheet } from "../sheet/sheet.ts";
import type { LineFault } from "./fault.ts";
import { parseLine } from "./grammar.ts";
import { Fault, channelsOf } from "./names.ts";

/**
 * Lights as a line names them: "1..6, 9, @front / 2", in this order, each once. For the fields of forms that take lights.
 * A fault points at the word; a whole sentence is refused.
 * Lights that the rig does not have are a fault, as in the line itself.
 */
export function lightsNamed(text: string, sheet: ShowSheet): { channels: number[] } | { fault: LineFault } {
  const parsed = parseLine(text);
  if ("fault" in parsed) return parsed;
  const { sentence } = parsed;
  if (sentence.kind !== "lights" || sentence.operation || sentence.attribute || sentence.cues)
    return { fault: { message: `"${text}" does not name lights; write them as 1..6, 9, @group`, at: 0, length: text.length } };
  try {
    return { channels: channelsOf(sentence.lights, sheet) };
  } catch (error) {
    if (error instanceof Fault) return { fault: error.fault };
    throw error;
  }
}
