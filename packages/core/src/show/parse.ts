import { keyName } from "./keyName.ts";
import { append } from "./append.ts";
import { byNumber } from "./cueNumber.ts";
import { ShowError } from "./errors.ts";
import { faultsOf } from "./faults.ts";
import { readJson } from "./readJson.ts";
import { checkRange, readMoves } from "./readMoves.ts";
import { type Rig, attributeAt, rigOf } from "./rig.ts";
import { isRelease, moveTiming } from "./move.ts";
import { upgradedDocument } from "./upgrade.ts";
import { type Attribute, type Cue, type CueList, type HeldLook, type Palette, type Show, showSchema } from "./schema.ts";

/**
 * Reads the text of an open show document (FORMAT). Throws ShowError with every fault found, each naming its place;
 * then nothing is returned at all.
 * Reading is all or nothing: a document with a single fault gives no show at all.
 */
export function parseShow(text: string): Show {
  return readShow(readJson(text, "This is not a show document"));
}

/**
 * As `parseShow`, for a document that is already plain data.
 * For data that is already parsed, such as rows of a database or a test's literal.
 * What comes back is a clean copy in the one order of fields and of the newest version; the input is not changed.
 */
export function readShow(raw: unknown): Show {
  const document = upgradedDocument(raw);
  const parsed = showSchema.safeParse(document);
  if (!parsed.success) throw new ShowError(faultsOf(parsed.error, document));
  const faults: string[] = [];
  const show = parsed.data;
  checkRig(show, faults);
  const rig = rigOf(show);
  for (const palette of show.palettes) checkPalette(palette, rig, faults);
  const palettes = new Map(show.palettes.map((palette) => [palette.id, palette]));
  const lists = show.lists.map((list) => readList(list, rig, palettes, faults));
  const heldLooks = show.heldLooks?.map((look) => readHeldLook(look, rig, palettes, faults));
  checkRunning({ ...show, lists }, faults);
  if (faults.length > 0) throw new ShowError(faults);
  return { ...show, lists, ...(heldLooks ? { heldLooks } : {}) };
}

/**
 * A held look with its values checked and cleaned; faults are added to `faults`. A look has values and palettes alone: no times, no
 * releases.
 * `faults` is added to and nothing is thrown, so that a document tells all its faults at once.
 * Values that are faulty are left out of what comes back (docs/running.md, Lists).
 */
export function readHeldLook(look: HeldLook, rig: Rig, palettes: ReadonlyMap<string, { family: string }>, faults: string[]): HeldLook {
  const place = `held look ${look.id}`;
  const values = readMoves(look.values, rig, palettes, place, faults);
  for (const [channel, attributes] of Object.entries(values)) {
    for (const [attribute, spec] of Object.entries(attributes)) {
      const { fade, delay, curve } = moveTiming(spec);
      if (isRelease(spec)) faults.push(`${place}, ${channel}.${attribute}: a held look releases nothing; leave it out`);
      if (fade !== undefined || delay !== undefined || curve !== undefined)
        faults.push(`${place}, ${channel}.${attribute}: a held look has one fade for all; its values have no times of their own`);
    }
  }
  return { ...look, values };
}

/**
 * A sentence for each fault of a show in how its rig, groups, palettes, paces and lists fit together; its moves are not looked at.
 * Checks what holds between things: ids that stand twice, types and channels that are not there, palettes of the wrong family,
 * addresses out of range, lists and looks that actions name. Empty where all fits.
 */
export function checkShow(show: Show): string[] {
  const faults: string[] = [];
  checkRig(show, faults);
  const rig = rigOf(show);
  for (const palette of show.palettes) checkPalette(palette, rig, faults);
  for (const list of show.lists)
    duplicates(
      list.cues.map((cue) => cue.number),
      `list ${list.id}: cue`,
      faults,
    );
  return faults;
}

/** Tells of names that stand twice, and of types, channels and groups that speak of something which is not there. */
function checkRig(show: Show, faults: string[]): void {
  duplicates(
    show.fixtureTypes.map((type) => type.id),
    "fixture type",
    faults,
  );
  duplicates(
    show.channels.map((channel) => channel.number),
    "channel",
    faults,
  );
  duplicates(
    show.groups.map((group) => group.id),
    "group",
    faults,
  );
  duplicates(
    show.palettes.map((palette) => palette.id),
    "palette",
    faults,
  );
  duplicates(
    show.paces.map((pace) => pace.id),
    "pace",
    faults,
  );
  duplicates(
    show.lists.map((list) => list.id),
    "list",
    faults,
  );
  const others = {
    "held look": show.heldLooks,
    tempo: show.tempos,
    page: show.pages,
    note: show.notes,
    movement: show.movements,
    "colour list": show.colourLists,
  };
  for (const [what, all = []] of Object.entries(others))
    duplicates(
      all.map(({ id }) => id),
      what,
      faults,
    );
  duplicates(
    (show.script?.lines ?? []).map((line) => line.id),
    "script line",
    faults,
  );
  for (const type of show.fixtureTypes) checkType(type, faults);
  const types = new Set(show.fixtureTypes.map((type) => type.id));
  for (const channel of show.channels) {
    if (!types.has(channel.type)) faults.push(`channel ${channel.number}: there is no fixture type "${channel.type}"`);
  }
  const numbers = new Set(show.channels.map((channel) => channel.number));
  for (const group of show.groups) {
    for (const number of group.channels) {
      if (!numbers.has(number)) faults.push(`group ${group.id}: channel ${number} is not in the rig`);
    }
  }
}

/** Tells what is wrong with one fixture type: attributes twice, a second intensity, a home outside its range. */
function checkType(type: Show["fixtureTypes"][number], faults: string[]): void {
  const place = `fixture type ${type.id}`;
  duplicates(
    type.attributes.map((attribute) => attribute.id),
    `${place}: attribute`,
    faults,
  );
  if (type.attributes.filter((attribute) => attribute.family === "intensity").length > 1) {
    faults.push(`${place}: it has more than one intensity; a fixture has one at most`);
  }
  for (const attribute of type.attributes) {
    const at = `${place}, attribute ${attribute.id}`;
    if (attribute.min > attribute.max) faults.push(`${at}: min ${attribute.min} is above max ${attribute.max}`);
    else if (attribute.home < attribute.min || attribute.home > attribute.max)
      faults.push(`${at}: home ${attribute.home} is outside ${attribute.min} to ${attribute.max}`);
    if (attribute.family === "intensity" && attribute.home !== 0) faults.push(`${at}: the home of an intensity is 0`);
    checkPlaces(attribute, at, faults);
    for (const { value, name } of attribute.slots ?? []) {
      if (value < attribute.min || value > attribute.max)
        faults.push(`${at}, slot ${name}: ${value} is outside ${attribute.min} to ${attribute.max}`);
    }
    for (const { name, from, to } of attribute.modes ?? []) {
      if (from > to) faults.push(`${at}, mode ${name}: ${from} is above ${to}`);
      else if (from < attribute.min || to > attribute.max)
        faults.push(`${at}, mode ${name}: ${from} to ${to} is outside ${attribute.min} to ${attribute.max}`);
    }
    duplicates(
      (attribute.slots ?? []).map((slot) => slot.value),
      `${at}: slot`,
      faults,
    );
  }
}

/** Tells of places of an attribute in the output that do not fit its bits, and of a highlight outside its range. */
function checkPlaces({ at, bits = 8, highlight, min, max }: Attribute, place: string, faults: string[]): void {
  if (at && at.length !== bits / 8)
    faults.push(`${place}: it names ${at.length} of its light's addresses, and ${bits} bits take ${bits / 8}`);
  if (highlight !== undefined && (highlight < min || highlight > max))
    faults.push(`${place}: highlight ${highlight} is outside ${min} to ${max}`);
}

/**
 * Tells what is wrong with the values of one palette. A value is for one channel, for a type, or for every light that has the
 * attribute.
 */
function checkPalette(palette: Palette, rig: Rig, faults: string[]): void {
  for (const entry of palette.values) {
    const place = `palette ${palette.id}`;
    if (entry.channel !== undefined && entry.type !== undefined) faults.push(`${place}: a value is for a channel or for a type, not both`);
    try {
      if (entry.channel !== undefined)
        checkRange(entry.value, attributeAt(rig, entry.channel, entry.attribute, place), `${place}, ${entry.channel}.${entry.attribute}`);
      else checkAcrossTypes(palette, entry, rig);
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      append(faults, error.faults);
    }
  }
}

/** Checks a value that is not for one channel against every type that it is for. Throws ShowError naming the first fault. */
function checkAcrossTypes(palette: Palette, entry: Palette["values"][number], rig: Rig): void {
  const place = `palette ${palette.id}, ${entry.attribute}`;
  if (entry.type !== undefined && !rig.types.has(entry.type)) throw new ShowError(`${place}: there is no fixture type "${entry.type}"`);
  const types = entry.type === undefined ? [...rig.types.values()] : [...rig.types.values()].filter((type) => type.id === entry.type);
  const attributes = types.flatMap((type) => type.attributes.filter((attribute) => attribute.id === entry.attribute));
  if (attributes.length === 0) throw new ShowError(`${place}: no fixture type has this attribute`);
  for (const attribute of attributes) {
    if (attribute.family !== palette.family)
      throw new ShowError(`${place}: the palette is for ${palette.family}, and this is ${attribute.family}`);
    checkRange(entry.value, attribute, place);
  }
}

/** A list with its cues in the order of their numbers, its moves checked and cleaned; faults are added to `faults`. */
function readList(list: CueList, rig: Rig, palettes: ReadonlyMap<string, Palette>, faults: string[]): CueList {
  duplicates(
    list.cues.map((cue) => cue.number),
    `list ${list.id}: cue`,
    faults,
  );
  const cues = list.cues.map((cue) => readCueMoves(cue, rig, palettes, `list ${list.id}, cue ${cue.number}`, faults));
  cues.sort(byNumber);
  duplicates(
    (list.off ?? []).map((cue) => cue.number),
    `list ${list.id}: the switched off cue`,
    faults,
  );
  return { ...list, ...(list.off ? { off: list.off.toSorted(byNumber) } : {}), cues };
}

/**
 * Checks the moves of a cue's parts against the rig; faults are added to `faults`. Parts come back in the order of their numbers.
 * `place` names the cue for the messages, such as "lists main, cue 12.5".
 * A key in two parts of one cue is a fault (FORMAT), as is a wave for an attribute that the light does not have.
 */
export function readCueMoves(cue: Cue, rig: Rig, palettes: ReadonlyMap<string, { family: string }>, place: string, faults: string[]): Cue {
  duplicates(
    cue.parts.map((part) => part.number),
    `${place}: part`,
    faults,
  );
  // A key has one move in a cue, whichever part it stands in.
  const seen = new Map<string, number>();
  const parts = cue.parts.map((part) => {
    const moves = readMoves(part.moves, rig, palettes, `${place}, part ${part.number}`, faults);
    for (const [channel, attributes] of Object.entries(moves)) {
      for (const attribute of Object.keys(attributes)) {
        const key = keyName(channel, attribute);
        const other = seen.get(key);
        if (other !== undefined)
          faults.push(`${place}: ${key} stands in part ${other} and in part ${part.number}; a key has one move in a cue`);
        seen.set(key, part.number);
      }
    }
    return { ...part, moves };
  });
  checkWaves(parts, rig, place, faults);
  parts.sort((a, b) => a.number - b.number);
  if (parts[0]?.number !== 1) faults.push(`${place}: it has no part 1`);
  for (const channel of Object.keys(cue.mark?.channels ?? {})) {
    if (!rig.channels.has(Number(channel))) faults.push(`${place}, mark: channel ${channel} is not in the rig`);
  }
  return { ...cue, parts };
}

/** Tells of waves for keys that the rig does not have, and of a key with a wave in two parts. */
function checkWaves(parts: readonly Cue["parts"][number][], rig: Rig, place: string, faults: string[]): void {
  const seen = new Map<string, number>();
  for (const { number, waves = {} } of parts) {
    for (const [channel, attributes] of Object.entries(waves)) {
      for (const attribute of Object.keys(attributes)) {
        const key = keyName(channel, attribute);
        const other = seen.get(key);
        if (other !== undefined) faults.push(`${place}: ${key} has a wave in part ${other} and in part ${number}; a key has one in a cue`);
        seen.set(key, number);
        if (!rig.attributes.get(Number(channel))?.has(attribute))
          faults.push(`${place}, part ${number}, waves: there is no ${key} in the rig`);
      }
    }
  }
}

/** Tells of actions and steps that speak of a list, a held look or a tempo which is not there. */
function checkRunning(show: Show, faults: string[]): void {
  for (const list of show.lists) {
    const tempo = list.steps?.tempo;
    if (tempo !== undefined && !show.tempos?.some(({ id }) => id === tempo))
      faults.push(`list ${list.id}, steps: there is no tempo "${tempo}"`);
    for (const cue of list.cues)
      append(
        faults,
        actionFaults(cue, show).map((fault) => `list ${list.id}, cue ${cue.number}, actions: ${fault}`),
      );
  }
}

/**
 * What the actions of a cue speak of that a show does not have, a sentence for each.
 * Empty where every list, held look and tempo exists. A release without a list speaks of the cue's own and is never at fault.
 * Used on import and before each edit that brings actions (docs/running.md, Actions).
 */
export function actionFaults({ actions = [] }: Pick<Cue, "actions">, show: Pick<Show, "lists" | "heldLooks" | "tempos">): string[] {
  const lists = new Set(show.lists.map(({ id }) => id));
  return actions.flatMap((action) => {
    if ("list" in action && action.list !== undefined && !lists.has(action.list)) return [`there is no list "${action.list}"`];
    if (action.do === "look" && !show.heldLooks?.some(({ id }) => id === action.look)) return [`there is no held look "${action.look}"`];
    if (action.do === "tempo" && !show.tempos?.some(({ id }) => id === action.tempo)) return [`there is no tempo "${action.tempo}"`];
    return [];
  });
}

/** Tells of each name that stands more than once; `what` says of what kind the names are. */
function duplicates(names: readonly (string | number)[], what: string, faults: string[]): void {
  const seen = new Set<string | number>();
  for (const name of names) {
    if (seen.has(name)) faults.push(`${what} ${name} stands twice`);
    seen.add(name);
  }
}
