import { type Happening, type Mix, ShowError, cueAt, nextRow, previousRow, rowOf } from "@zm/core";
import type { PressRequest } from "@zm/protocol";

/** A press that cannot be done as things stand; nothing has happened. */
export class CannotNow extends Error {}

/** What a press does at a moment of the run, `t` seconds of its clock. Throws CannotNow where it cannot be done as things stand, ShowError where it names what there is not. */
export function happeningOf(mix: Mix, press: PressRequest, t: number, first: string): Happening {
  const id = press.list ?? first;
  const run = mix.lists.get(id);
  if (!run) throw new ShowError(`There is no list "${id}"; the lists are ${[...mix.lists.keys()].join(", ")}`);
  const time = press.time === undefined ? {} : { time: press.time };
  switch (press.press) {
    case "hold":
      return { t, list: id, hold: press.held ?? !run.clock.held };
    case "go":
      if (press.held !== undefined && press.held !== run.clock.held)
        throw new CannotNow(
          run.clock.held
            ? `The list has been held meanwhile; Go lets it go on. Look at it and press again`
            : "The list goes on already; nothing was fired",
        );
      if (!run.clock.held) expectNext(mix, id, press.cue);
      return { t, list: id, go: true };
    case "goto":
      if (press.cue === undefined) throw new ShowError("Go to which cue? Give its number");
      return { t, list: id, goto: cueAt(run.list, rowOf(run.list, press.cue)).number, ...time };
    case "back":
      if (press.cue !== undefined && press.cue !== run.cue)
        throw new CannotNow(`The list stands in cue ${run.cue ?? "none"} by now; nothing was pressed`);
      if (previousRow(run) < 0) throw new CannotNow("There is no cue before this one");
      return { t, list: id, back: true };
    case "release":
      return { t, list: id, release: true, ...time };
    case "master":
      return { t, list: id, master: wanted(press.level, "level, 0 to 100"), ...time };
    case "fader":
      return { t, list: id, fader: wanted(press.level, "level, 0 to 100"), ...time };
    case "catch":
      if (!run.follow) throw new CannotNow("Nothing is about to fire by itself on this list");
      return { t, list: id, catch: true };
    case "rate":
      return { t, list: id, rate: wanted(press.rate, "rate, such as 1.5") };
    case "bump":
    case "look": {
      const look = wanted(press.look, "look");
      if (!mix.looks.has(look))
        throw new ShowError(`There is no held look "${look}"; the held looks are ${[...mix.looks.keys()].join(", ") || "none yet"}`);
      return { t, look, level: wanted(press.level, "level, 0 to 100"), ...time };
    }
    case "tempo": {
      const tempo = wanted(press.tempo, "tempo");
      if (!mix.tempos.has(tempo))
        throw new ShowError(`There is no tempo "${tempo}"; the tempos are ${[...mix.tempos.keys()].join(", ") || "none yet"}`);
      return { t, tempo, perMinute: wanted(press.perMinute, "perMinute, beats a minute") };
    }
    case "standby":
      return { t, standby: press.chosen ?? [] };
    case "fire":
      if (mix.standby.length === 0) throw new CannotNow("Nothing is chosen to go together; choose a next cue on a list first");
      return { t, fire: true };
  }
}

function expectNext(mix: Mix, id: string, seen: string | undefined): void {
  const run = mix.lists.get(id);
  const next = run && nextRow(run);
  if (!run || next === undefined || next < 0) throw new CannotNow("This is the last cue; there is none to go to");
  const { number } = cueAt(run.list, next);
  if (seen !== undefined && seen !== number) throw new CannotNow(`Cue ${seen} has already gone; the next is ${number}`);
}

function wanted<T>(value: T | undefined, what: string): T {
  if (value === undefined) throw new ShowError(`This press needs a ${what}`);
  return value;
}
