import { keyName } from "../show/keyName.ts";
import type { HeldLook } from "../show/schema.ts";
import { keyNamed } from "../sheet/keys.ts";
import { resolve } from "../sheet/palettes.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { curveCode } from "./curveCodes.ts";
import type { Layers } from "./layers.ts";
import { type Ramp, steady } from "./ramp.ts";

const LINEAR = curveCode("linear");

/**
 * One value of a held look.
 * By key ordinal, palettes resolved.
 */
export interface LookValue {
  readonly key: number;
  readonly isLevel: boolean;
  readonly value: number;
  readonly snap: boolean;
}

/**
 * A held look on its fader, 0 to 100. It is changed in place; `source` is its number among the sources.
 * A look whose fader stands at 0 holds nothing (docs/running.md, Lists).
 */
export interface LookRun {
  readonly source: number;
  readonly look: HeldLook;
  readonly values: readonly LookValue[];
  level: Ramp;
  /** True while its fader is off 0, or on its way there. */
  up: boolean;
}

/**
 * A look with its fader at 0. Values of lights that the rig does not have, and palettes without a value for them, are left out.
 * Palettes are resolved here, so a palette that changes makes a new run of the look.
 */
export function idleLook(source: number, look: HeldLook, sheet: ShowSheet): LookRun {
  const values = Object.entries(look.values).flatMap(([channel, attributes]) =>
    Object.entries(attributes).flatMap(([attribute, spec]): LookValue[] => {
      const key = keyNamed(sheet.keys, keyName(channel, attribute));
      const value = key ? resolve(spec, key, sheet.palettes) : Number.NaN;
      if (!key || Number.isNaN(value)) return [];
      const { family, snap = false } = key.attribute;
      return [{ key: key.ordinal, isLevel: family === "intensity", value, snap }];
    }),
  );
  return { source, look, values, level: steady(0), up: false };
}

/**
 * Whether the levels of a look count by the highest, as they do unless it says otherwise.
 * The default of held looks; lists count by the latest unless they say otherwise.
 */
export function isHighest({ levels }: Pick<HeldLook, "levels">): boolean {
  return (levels ?? "highest") === "highest";
}

/**
 * Lets a look whose fader leaves 0 take hold of all that it holds; one that is up already holds it. `layers` is at the moment at which it
 * does.
 * Levels are held at once and weighed by the fader; other keys go there in the look's fade.
 */
export function raiseLook(layers: Layers, look: LookRun): void {
  if (look.up) return;
  look.up = true;
  const fade = look.look.fade ?? 1;
  for (const { key, isLevel, value, snap } of look.values) {
    if (isLevel) layers.takeHold(key, look.source, { to: value, fade: 0, curve: LINEAR }, value);
    else layers.takeHold(key, look.source, { to: value, fade: snap ? 0 : fade, curve: LINEAR });
  }
}

/**
 * Lets go of all that a look holds: its fader has come to 0.
 * Other keys than levels are let go in the look's fade.
 */
export function lowerLook(layers: Layers, look: LookRun): void {
  look.up = false;
  for (const { key, isLevel, snap } of look.values) {
    if (isLevel) layers.remove(key, look.source);
    else layers.letGo(key, look.source, snap ? 0 : (look.look.fade ?? 1), LINEAR);
  }
}

/**
 * Lets a look that is up become what it is after an edit of it or of its palettes: values that are new or others go there in its fade, from where they were;
 * what it no longer holds is let go. `before` is the run of it before the edit, its keys by the names that they had. `layers` is at the moment of the edit.
 */
export function renewLook(layers: Layers, look: LookRun, before: ReadonlyMap<number, LookValue>): void {
  const fade = look.look.fade ?? 1;
  const held = new Set(look.values.map(({ key }) => key));
  for (const { key, isLevel, value, snap } of look.values) {
    const was = before.get(key);
    if (was?.value === value) continue;
    const course = { to: value, fade: snap ? 0 : fade, curve: LINEAR };
    if (isLevel) layers.takeHold(key, look.source, course, was?.value ?? 0);
    else layers.takeHold(key, look.source, course);
  }
  for (const [key, { snap }] of before) if (!held.has(key)) layers.letGo(key, look.source, snap ? 0 : fade, LINEAR);
}

/** True where a look holds the same values over the same rig, palettes resolved. */
export function sameLookValues(a: readonly LookValue[], b: readonly LookValue[]): boolean {
  return a.length === b.length && a.every(({ key, value }, place) => b[place]?.key === key && b[place]?.value === value);
}
