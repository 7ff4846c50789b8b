import { ConflictException, Injectable, type OnModuleDestroy } from "@nestjs/common";
import { type Step, count, isCueData, plainCueNumber } from "@zm/core";
import { type KeptCue, isOwnKept, nameOfOther } from "@zm/protocol";
import { Subject } from "rxjs";
import type { Author } from "../shared/author.ts";

/** A cue is kept for so long; milliseconds. */
const KEPT = 10 * 60_000;

/** Cues that people keep for themselves while they work on them. They are kept in memory: after a start nobody keeps any. */
@Injectable()
export class KeptCues implements OnModuleDestroy {
  /** The number of each show in which that has changed. */
  readonly changes = new Subject<number>();
  private readonly kept = new Map<number, KeptCue[]>();

  onModuleDestroy(): void {
    this.changes.complete();
  }

  /** The cues of a show that are kept now. */
  of(show: number, now = Date.now()): KeptCue[] {
    return (this.kept.get(show) ?? []).filter(({ ends }) => ends > now);
  }

  /** Keeps a cue from now on, in place of whoever did. */
  keep(show: number, list: string, cue: string, who: Pick<KeptCue, "window" | "person">): void {
    const others = this.of(show).filter((each) => !isOf(each, list, cue));
    this.kept.set(show, [...others, { list, cue: plainCueNumber(cue), ends: Date.now() + KEPT, ...who }]);
    this.changes.next(show);
  }

  /** Keeps a cue no more. */
  release(show: number, list: string, cue: string): void {
    this.kept.set(
      show,
      this.of(show).filter((each) => !isOf(each, list, cue)),
    );
    this.changes.next(show);
  }

  /** Throws ConflictException where steps touch a cue that somebody else keeps. */
  expectFree(show: number, steps: readonly Step[], author: Pick<Author, "window" | "person">): void {
    const others = this.of(show).filter((each) => !isOwnKept(each, author));
    if (others.length === 0) return;
    const byCue = new Map(others.map((each) => [`${each.list}/${each.cue}`, each]));
    for (const step of steps) {
      const met = cuesOf(step).flatMap((cue) => byCue.get(cue) ?? [])[0];
      if (met) throw keptByOther(met);
    }
  }
}

function keptByOther({ person, cue, ends }: KeptCue): ConflictException {
  const minutes = count(Math.max(1, Math.ceil((ends - Date.now()) / 60_000)), "more minute");
  return new ConflictException(
    `${nameOfOther(person)} keeps cue ${cue}, for ${minutes}. Nothing was changed; take it over first: keep #${cue}`,
  );
}

function isOf(kept: KeptCue, list: string, cue: string): boolean {
  return kept.list === list && kept.cue === plainCueNumber(cue);
}

/** The cues that a step changes, as "list/cue". */
function cuesOf(step: Step): string[] {
  if (step.at === "renumber") return step.cues.map(({ from }) => `${step.list}/${from}`);
  return isCueData(step) ? [`${step.list}/${step.cue}`] : [];
}
