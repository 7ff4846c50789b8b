import { type ListPress, type Press, ShowError, isCueNumber } from "@zm/core";
import type { OscWords } from "@zm/protocol/oscPacket";

/** What a message asks for: something to press, to be told where everything stands, or a run to be begun or ended. */
export type OscCommand =
  | { readonly press: Press }
  | { readonly hello: true }
  | { readonly run: { readonly name: string; readonly speed: number } }
  | { readonly runEnds: true };

/** What can be pressed on a list, behind /zm/ for the first list and /zm/list/ID/ for any. */
const ON_LIST = ["go", "back", "hold", "goto", "release", "rate", "master", "fader", "catch"] as const;
const OTHERS = ["hello", "run", "endrun", "standby", "fire", "look", "tempo", "grand", "blackout", "alloff"] as const;

/** What a message asks for. Throws ShowError that names what is wrong and what could stand there. */
export function oscCommand({ address, args }: OscWords): OscCommand {
  const [, root, ...rest] = address.split("/");
  if (root !== "zm") throw new ShowError(`${address} is not known here; every address begins with /zm/`);
  const [first, list, verb] = rest;
  if (first === "list" && rest.length === 3 && list !== undefined)
    return { press: { ...onList(verb, args, address), list: decoded(list, address) } };
  if (rest.length !== 1) throw unknown(address);
  switch (first) {
    case "hello":
      return { hello: true };
    case "run":
      return { run: { name: text(args[0] ?? ""), speed: number(args[1] ?? 1, address, "speed") } };
    case "endrun":
      return { runEnds: true };
    case "standby":
      return { press: { press: "standby", chosen: pairs(args, address) } };
    case "fire":
      return { press: { press: "fire" } };
    case "grand":
      return { press: { press: "grand", level: number(args[0], address, "level"), ...time(args[1], address) } };
    case "blackout":
      return {
        press: { press: "blackout", ...(args[0] === undefined ? {} : { held: onOff(args[0], address) }), ...time(args[1], address) },
      };
    case "alloff":
      return { press: { press: "allOff", ...time(args[0], address) } };
    case "look":
      return {
        press: {
          press: "look",
          look: text(needed(args[0], address, "the held look")),
          level: number(args[1], address, "level"),
          ...time(args[2], address),
        },
      };
    case "tempo":
      return {
        press: {
          press: "tempo",
          tempo: text(needed(args[0], address, "the tempo")),
          perMinute: number(args[1], address, "beats a minute"),
        },
      };
    default:
      return { press: onList(first, args, address) };
  }
}

/** A press on one list. */
function onList(verb: string | undefined, args: OscWords["args"], address: string): ListPress {
  switch (verb) {
    case "go":
      return { press: "go", ...(args[0] === undefined ? {} : { cue: cueNumber(args[0], address) }) };
    case "back":
    case "catch":
      return { press: verb };
    case "hold":
      return { press: "hold", ...(args[0] === undefined ? {} : { held: onOff(args[0], address) }) };
    case "goto":
      return { press: "goto", cue: cueNumber(needed(args[0], address, "the cue"), address), ...time(args[1], address) };
    case "release":
      return { press: "release", ...time(args[0], address) };
    case "rate":
      return { press: "rate", rate: number(args[0], address, "rate") };
    case "master":
    case "fader":
      return { press: verb, level: number(args[0], address, "level"), ...time(args[1], address) };
    default:
      throw unknown(address);
  }
}

function unknown(address: string): ShowError {
  return new ShowError(
    `${address} is not known here; there is ${OTHERS.map((each) => `/zm/${each}`).join(", ")}, and /zm/VERB or /zm/list/ID/VERB with ${ON_LIST.join(", ")}`,
  );
}

function needed(value: string | number | undefined, address: string, what: string): string | number {
  if (value === undefined || value === "") throw new ShowError(`${address} needs ${what}`);
  return value;
}

function text(value: string | number): string {
  return String(value).slice(0, 200);
}

function number(value: string | number | undefined, address: string, what: string): number {
  const given = needed(value, address, `a ${what}`);
  const found = typeof given === "number" || /^-?\d+([.]\d+)?$/.test(given.trim()) ? Number(given) : Number.NaN;
  if (!Number.isFinite(found)) throw new ShowError(`${address} needs a ${what}, and "${value}" is no number`);
  // Numbers come with the precision of a float.
  return Math.round(found * 1000) / 1000;
}

/** On or off, as a number or as a word. */
function onOff(value: string | number, address: string): boolean {
  const word = String(value).trim().toLowerCase();
  if (["1", "on", "true"].includes(word)) return true;
  if (["0", "off", "false"].includes(word)) return false;
  throw new ShowError(`${address} takes on or off, or 1 or 0, and "${word}" is neither`);
}

/** The id of a list as it stands in an address, where signs may be written as %20 and the like. */
function decoded(list: string, address: string): string {
  try {
    return decodeURIComponent(list);
  } catch {
    throw new ShowError(`${address} names no list: a % stands before two digits there`);
  }
}

function time(value: string | number | undefined, address: string): { time?: number } {
  return value === undefined ? {} : { time: number(value, address, "time in seconds") };
}

/** The number of a cue, sent as text or as a number. */
function cueNumber(value: string | number, address: string): string {
  const cue = typeof value === "number" ? String(Math.round(value * 1000) / 1000) : value;
  if (!isCueNumber(cue)) throw new ShowError(`${address} needs the number of a cue, and "${value}" is none`);
  return cue;
}

/** Lists and their next cues, in pairs; none empties the set. */
function pairs(args: OscWords["args"], address: string): { list: string; cue: string }[] {
  if (args.length % 2 !== 0) throw new ShowError(`${address} takes pairs of a list and a cue`);
  return args.flatMap((list, index) => (index % 2 === 0 ? [{ list: text(list), cue: cueNumber(args[index + 1] ?? "", address) }] : []));
}
