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
