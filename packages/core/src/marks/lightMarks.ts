import type { MarkSettings } from "../show/schema.ts";

/** What a cue says of one light's mark; undefined for a field takes away what is said of it. */
export type LightMark = {
  readonly [name in keyof NonNullable<MarkSettings["channels"]>[string]]?: NonNullable<MarkSettings["channels"]>[string][name];
};

/**
 * What a cue says of its marks with something else said of some lights: a place takes the stead of another place, times stay unless they are named,
 * and undefined takes a field away. Null where nothing is said any more.
 * For the edit that sets a cue's marks.
 */
export function withLightMarks(
  settings: MarkSettings | undefined,
  lights: readonly (readonly [channel: number, own: LightMark])[],
): MarkSettings | null {
  const channels: NonNullable<MarkSettings["channels"]> = { ...settings?.channels };
  for (const [channel, own] of lights) {
    const { at, view, ...times } = channels[channel] ?? {};
    const places = "at" in own || "view" in own ? {} : { at, view };
    const entries = Object.entries({ ...places, ...times, ...own }).filter(([, value]) => value !== undefined);
    if (entries.length > 0) channels[channel] = Object.fromEntries(entries);
    else Reflect.deleteProperty(channels, String(channel));
  }
  const { channels: _old, ...others } = settings ?? {};
  const after = { ...others, ...(Object.keys(channels).length > 0 ? { channels } : {}) };
  return Object.keys(after).length > 0 ? after : null;
}
