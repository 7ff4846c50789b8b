// How lights are prepared in the dark, as it is typed: of single lights of a cue, of cues, of the list.
import type { EditInput } from "../edit/index.ts";
import { type LightMark, withLightMarks } from "../marks/lightMarks.ts";
import type { MarkSettings } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { cuesIn, single } from "./checked.ts";
import { Fault } from "./names.ts";
import type { Range, TypedMark } from "./sentence.ts";

/** What is said of one light; a policy is for all lights of a cue. Throws Fault. */
function lightMarkOf({ at, view, policy, fade, delay }: TypedMark): LightMark {
  if (policy !== undefined)
    throw new Fault({
      message: `One light is prepared in a cue that is named, as in prepared in #10, or in view; ${policy} is for all lights of a cue`,
      at: 0,
      length: 1,
    });
  return {
    ...(at === undefined ? {} : { at: single(at).from }),
    ...(view === undefined ? {} : { view }),
    ...(fade === undefined ? {} : { fade: fade ?? undefined }),
    ...(delay === undefined ? {} : { delay: delay ?? undefined }),
  };
}

const NOTHING: LightMark = { at: undefined, view: undefined, fade: undefined, delay: undefined };

/** The edits that say how single lights are prepared for cues; null forgets what is said of them. Throws Fault. */
export function lightsPrepared(list: ListSheet, channels: readonly number[], cues: Range, mark: TypedMark | null): EditInput[] {
  const own = mark === null ? NOTHING : lightMarkOf(mark);
  return cuesIn(list, cues).map(({ number, mark: settings }): EditInput => ({
    op: "setCue",
    list: list.id,
    from: number,
    to: number,
    mark: withLightMarks(
      settings,
      channels.map((channel) => [channel, own]),
    ),
  }));
}

/** The edits that say how all lights of cues are prepared; null forgets it, but not what is said of single lights. Throws Fault. */
export function cuesPrepared(list: ListSheet, cues: Range, mark: TypedMark | null): EditInput[] {
  return cuesIn(list, cues).map(({ number, mark: settings }): EditInput => {
    const after = mark === null ? { ...(settings?.channels ? { channels: settings.channels } : {}) } : markAfter(settings, mark);
    return { op: "setCue", list: list.id, from: number, to: number, mark: Object.keys(after).length > 0 ? after : null };
  });
}

/** What a cue says of its marks with something else said: a policy and a named cue take each other's stead. */
function markAfter(settings: MarkSettings | undefined, { at, view, policy, fade, delay }: TypedMark): MarkSettings {
  const wanted = view ? "view" : policy;
  const { at: oldAt, policy: oldPolicy, ...others } = settings ?? {};
  const place = at !== undefined ? { at: single(at).from } : wanted !== undefined ? { policy: wanted } : { at: oldAt, policy: oldPolicy };
  const all = {
    ...place,
    ...others,
    ...(fade === undefined ? {} : { fade: fade ?? undefined }),
    ...(delay === undefined ? {} : { delay: delay ?? undefined }),
  };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
}

/** The edit that says how a list prepares its lights where cues say nothing. Throws Fault for what only cues can say. */
export function listPrepared(list: ListSheet, { at, view, policy, fade, delay }: TypedMark): EditInput {
  if (at !== undefined || delay !== undefined)
    throw new Fault({
      message: "A list says when its lights are prepared and how long it takes: list prepared dark takes 3",
      at: 0,
      length: 4,
    });
  const { cues: _cues, marks, ...head } = list.list;
  const wanted = view ? "view" : policy;
  const after = {
    ...marks,
    ...(wanted === undefined ? {} : { policy: wanted }),
    ...(fade === undefined ? {} : { fade: fade ?? undefined }),
  };
  return { op: "setList", list: { ...head, marks: after } };
}
