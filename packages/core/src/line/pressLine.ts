// What runs, as it is typed: what a cue does besides, what is pressed now, and how lists and held looks stand to each other.
import { type EditInput, isNamed } from "../edit/index.ts";
import { freeIdAmong } from "../show/ids.ts";
import type { Action, CueList, PageItem } from "../show/schema.ts";
import { type ShowSheet, cueAt, listOf, rowOf } from "../sheet/sheet.ts";
import { thereIsNo } from "../show/thereIsNo.ts";
import { faultless, single } from "./checked.ts";
import type { Soloist } from "../mix/grand.ts";
import { Fault, attributeOf, channelsOf, entryNamed, listNamed, matches } from "./names.ts";
import type { Lights, Named, Sentence, TypedAction, TypedPress } from "./sentence.ts";

/**
 * What a line presses on what runs, at once: what a cue can do besides, and what only a hand does. Nothing is stored by it.
 * Levels are per cent, times seconds; cues are numbers that their lists have.
 */
export type LinePress =
  | Action
  | { do: "fader"; list: string; level: number; time?: number }
  | { do: "catch"; list: string }
  | { do: "standby"; chosen: { list: string; cue: string }[]; also?: boolean }
  | { do: "chooseSet" }
  | { do: "fire" }
  | { do: "blackout"; on: boolean; time?: number }
  | { do: "grand"; level: number; time?: number }
  | { do: "allOff"; time?: number }
  | { do: "solo"; of: Soloist | null }
  | { do: "identify"; channels: number[] }
  // Without keys all that is parked is meant.
  | { do: "park"; on: boolean; keys?: string[] }
  | { do: "putOnStage" };

/** An action as a cue holds it. Throws Fault for a list, a look or a tempo that the show does not have. */
export function actionOf({ do: what, name, cue = "", value = 0, time, after }: TypedAction, sheet: ShowSheet): Action {
  const timed = { ...(time === undefined ? {} : { time }), ...(after === undefined ? {} : { after }) };
  const late = after === undefined ? {} : { after };
  switch (what) {
    case "look":
      return { do: "look", look: entryNamed(name, sheet.show.heldLooks ?? [], "held look"), level: value, ...timed };
    case "tempo":
      return { do: "tempo", tempo: entryNamed(name, sheet.show.tempos ?? [], "tempo"), perMinute: value, ...late };
    case "start":
      return { do: "start", list: listNamed(name, sheet).id, ...(cue === "" ? {} : { cue: single(cue).from }), ...late };
    case "goto":
      return { do: "goto", list: listNamed(name, sheet).id, cue: single(cue).from, ...timed };
    case "release":
      return { do: "release", list: listNamed(name, sheet).id, ...timed };
    case "rate":
      return { do: "rate", list: listNamed(name, sheet).id, rate: value, ...late };
    case "master":
      return { do: "master", list: listNamed(name, sheet).id, level: value, ...timed };
    case "go":
    case "hold":
    case "resume":
      return { do: what, list: listNamed(name, sheet).id, ...late };
  }
}

/** What is pressed. Throws Fault for a list, a cue, a look or a tempo that the show does not have. */
export function pressOf(press: TypedPress, sheet: ShowSheet): LinePress {
  switch (press.do) {
    case "action": {
      const action = actionOf(press.action, sheet);
      if ("cue" in action && action.cue !== undefined && "list" in action && action.list !== undefined)
        standingIn(action.list, action.cue, sheet);
      return action;
    }
    case "fader": {
      const { name, level, time } = press;
      return { do: "fader", list: listNamed(name, sheet).id, level, ...(time === undefined ? {} : { time }) };
    }
    case "catch":
    case "back":
      return { do: press.do, list: listNamed(press.name, sheet).id };
    case "standby": {
      const chosen = press.chosen.map(({ name, cue }) => {
        const list = listNamed(name, sheet).id;
        return { list, cue: standingIn(list, cue, sheet) };
      });
      return { do: "standby", chosen, ...(press.also ? { also: true } : {}) };
    }
    case "solo":
      return { do: "solo", of: press.name ? soloist(press.name, sheet) : null };
    case "identify":
      return { do: "identify", channels: press.lights ? channelsOf(press.lights, sheet) : [] };
    case "park":
      return { do: "park", on: press.on, ...(press.lights ? { keys: keysNamed(press.lights, press.attribute, sheet) } : {}) };
    case "fire":
    case "chooseSet":
    case "putOnStage":
    case "blackout":
    case "grand":
    case "allOff":
      return press;
  }
}

/** The edit that puts strips or a button onto a page of the shelf, which is made when there is none; or takes the page away. Throws Fault. */
export function pageEdit({ label, strips, press }: Extract<Sentence, { kind: "page" }>, sheet: ShowSheet): EditInput {
  const pages = sheet.show.pages ?? [];
  const known = pages.find((page) => matches(page, label));
  if (!strips && !press) {
    if (known) return { op: "removePage", page: known.id };
    throw new Fault({ message: thereIsNo("page of the shelf", label, pages), at: 5, length: label.length + 2 });
  }
  const page = known ?? {
    id: freeIdAmong(label, pages),
    label,
    items: [],
  };
  const items = press ? [{ do: actionOf(press, sheet) }] : (strips ?? []).map((name) => stripNamed(name, sheet));
  return { op: "setPage", page: { ...page, items: [...page.items, ...items] } };
}

/** What has a strip of its own, by its name. Throws Fault for what is neither list, held look nor tempo. */
function stripNamed(name: Named, { show }: Pick<ShowSheet, "show">): PageItem {
  const tempo = show.tempos?.find(({ id, label }) => matches({ id, label }, name.name));
  return tempo ? { tempo: tempo.id } : soloist(name, { show });
}

/** A list or a held look by its name. Throws Fault for what is neither. */
function soloist(name: Named, { show }: Pick<ShowSheet, "show">): Soloist {
  const look = show.heldLooks?.find(({ id, label }) => matches({ id, label }, name.name));
  if (look) return { look: look.id };
  const list = show.lists.find(({ id, label }) => matches({ id, label }, name.name));
  if (list) return { list: list.id };
  const known = [...show.lists, ...(show.heldLooks ?? [])];
  throw new Fault({ message: thereIsNo("list or held look", name.name, known), at: name.at, length: name.name.length });
}

/** The keys that lights have, of one attribute or family where it is named. Throws Fault where they have none of it. */
function keysNamed(lights: Lights, attribute: Named | undefined, sheet: ShowSheet): string[] {
  const channels = channelsOf(lights, sheet);
  const selection = { channels, ...attributeOf(attribute, sheet) };
  const keys = sheet.keys.all.filter((key) => isNamed(key, selection));
  if (keys.length > 0) return keys.map(({ name }) => name);
  throw new Fault({
    message: `None of these lights has ${attribute?.name ?? "anything"} to park`,
    at: attribute?.at ?? 0,
    length: attribute?.name.length ?? 1,
  });
}

/** The edit that says how a list runs by itself; what was not typed stays. Throws Fault for a list or a tempo that there is not. */
export function stepsEdit({ name, steps: typed }: Extract<Sentence, { kind: "steps" }>, sheet: ShowSheet): EditInput {
  const { cues: _cues, steps: standing, ...head } = listNamed(name, sheet).list;
  if (typed === null) return { op: "setList", list: head };
  const tempo = typed.tempo && entryNamed(typed.tempo, sheet.show.tempos ?? [], "tempo");
  const { order, rounds } = { ...standing, ...typed };
  const beats = typed.interval !== undefined ? { interval: typed.interval } : tempo !== undefined ? { tempo } : beatOf(standing);
  return {
    op: "setList",
    list: { ...head, steps: { ...beats, ...(order === undefined ? {} : { order }), ...(rounds === undefined ? {} : { rounds }) } },
  };
}

/** What a list steps by as it stands: its interval or its tempo; every second where it does not step yet. */
function beatOf(steps: CueList["steps"]): { interval?: number; tempo?: string } {
  if (steps?.tempo !== undefined) return { tempo: steps.tempo };
  return { interval: steps?.interval ?? 1 };
}

/** A cue as its list has it. Throws Fault for one that it does not have. */
function standingIn(list: string, cue: string, sheet: ShowSheet): string {
  return faultless(() => cueAt(listOf(sheet, list), rowOf(listOf(sheet, list), single(cue).from)).number);
}

/** The edit that says how a list or a held look stands to others. Throws Fault for a name that is neither, and a priority above 100. */
export function rankEdit({ name, priority, levels }: Extract<Sentence, { kind: "rank" }>, { show }: ShowSheet): EditInput {
  if (priority !== undefined && priority > 100)
    throw new Fault({ message: "A priority is 0 to 100; what was not given one has 50", at: name.at, length: name.name.length });
  const rank = { ...(priority === undefined ? {} : { priority }), ...(levels === undefined ? {} : { levels }) };
  const look = show.heldLooks?.find(({ id, label }) => matches({ id, label }, name.name));
  if (look) return { op: "setHeldLook", look: { ...look, ...rank } };
  const list = show.lists.find(({ id, label }) => matches({ id, label: label ?? "" }, name.name));
  if (list) {
    const { cues: _cues, ...head } = list;
    return { op: "setList", list: { ...head, ...rank } };
  }
  const known = [...show.lists, ...(show.heldLooks ?? [])];
  throw new Fault({ message: thereIsNo("list or held look", name.name, known), at: name.at, length: name.name.length });
}
