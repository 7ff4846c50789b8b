import { ForbiddenException } from "@nestjs/common";
import { type Person, mayDo, notAllowedWords } from "@zm/protocol";
import type { HistoryStep } from "../shows/history.ts";

/** Holds the taking back of a step against who asks: who edits takes back anything, who runs what was done to the Hand, everybody else what they did themselves. Throws ForbiddenException. */
export function expectMayTakeBack(who: Person, step: HistoryStep): void {
  if (mayDo(who, "edit") || (step.of === "hand" && mayDo(who, "run"))) return;
  if (mayDo(who, "note") && step.person !== null && step.person === who.name) return;
  throw new ForbiddenException(`${notAllowedWords(who, "edit")} "${step.words}" stays as it is.`);
}
