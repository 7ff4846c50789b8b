import { cached } from "../show/cached.ts";
import type { ListSheet } from "./sheet.ts";

/**
 * A run of cues of one scene. Rows, both ends included.
 * A scene that comes back later in the list is a run of its own.
 */
export interface SceneRun {
  readonly scene: string;
  readonly first: number;
  readonly last: number;
}

/**
 * The scenes of a list in the order of its cues. A cue that names no scene belongs to the one before it; cues before the first named scene
 * belong to none.
 * Empty for a list whose cues name no scene. Kept for as long as the list stays the same.
 */
export const scenesOf: (list: ListSheet) => readonly SceneRun[] = cached((list: ListSheet): readonly SceneRun[] => {
  const runs: SceneRun[] = [];
  list.cues.forEach(({ scene }, row) => {
    const open = runs.at(-1);
    if (scene !== undefined && scene !== open?.scene) runs.push({ scene, first: row, last: row });
    else if (open) runs[runs.length - 1] = { ...open, last: row };
  });
  return runs;
});

/**
 * The scene in which a row stands; undefined before the first.
 * Rows count from 0.
 */
export function sceneAt(list: ListSheet, row: number): SceneRun | undefined {
  return scenesOf(list).findLast(({ first }) => first <= row);
}

/** What stands between an act and the scenes in it: "II.3" is a scene of act II. */
const IN_ACT = /[.,/:]/;

/**
 * The rows that are chosen with a scene: all of it, and, where that is chosen already, all of its act (the scenes beside it that begin
 * with the same word before a point). Undefined for a row before the first scene.
 */
export function sceneWidened(
  list: ListSheet,
  row: number,
  chosen: { first: number; last: number },
): { first: number; last: number } | undefined {
  const run = sceneAt(list, row);
  if (!run) return undefined;
  if (chosen.first !== run.first || chosen.last !== run.last) return run;
  const act = ({ scene }: SceneRun): string => scene.split(IN_ACT)[0] ?? scene;
  const all = scenesOf(list);
  const at = all.indexOf(run);
  const before = all.slice(0, at).findLastIndex((each) => act(each) !== act(run));
  const after = all.slice(at).findIndex((each) => act(each) !== act(run));
  return { first: all[before + 1]?.first ?? run.first, last: (after < 0 ? all.at(-1) : all[at + after - 1])?.last ?? run.last };
}
