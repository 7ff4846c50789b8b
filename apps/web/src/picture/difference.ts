import { type StageLight, sameLight } from "./scene.ts";

/** So little is no difference that anybody sees. */
const LEAST = 0.004;

/**
 * What differs between two pictures, as a picture: every light that is otherwise shines as it does in the brighter of the two, with its
 * level before and after written by it; all that is the same is dark.
 */
export function differenceLights(before: readonly StageLight[], after: readonly StageLight[]): StageLight[] {
  const old = new Map(before.map((light) => [light.channel, light]));
  return after.map((light) => {
    const was = old.get(light.channel);
    // A dark light that is prepared for another cue, or elsewhere, is reported by where it waits.
    if (
      was &&
      was.level <= LEAST &&
      light.level <= LEAST &&
      (was.waits !== light.waits || (light.waits !== undefined && !sameLight(was, light)))
    )
      return { ...light, words: light.waits === undefined ? "not prepared" : `for ${light.waits}` };
    if (!was || !differs(was, light)) return { ...unprepared(light), level: 0, words: "" };
    const brighter = light.level >= was.level ? light : was;
    return { ...brighter, words: differenceWords(was, light) };
  });
}

/** A light without what it waits for. */
function unprepared({ waits: _waits, ...light }: StageLight): StageLight {
  return light;
}

/** True where the eye sees another light; what a dark light would look like counts for nothing. */
function differs(a: StageLight, b: StageLight): boolean {
  if (Math.abs(a.level - b.level) > LEAST) return true;
  return b.level > LEAST && !sameLight(a, b);
}

function differenceWords(was: StageLight, is: StageLight): string {
  const [from, to] = [Math.round(was.level * 100), Math.round(is.level * 100)];
  return from === to ? String(to) : `${from}→${to}`;
}
