import type { MigrationInterface, QueryRunner } from "typeorm";

/** What the policies of marks are called, before and since. Stored JSON has no spaces. */
const POLICIES = [
  ["late", "before"],
  ["early", "dark"],
  ["live", "view"],
] as const;

/** Cues restate, and marks are made before, in the dark, or in view: the names of version 2 of the document. Stored edits are read with either. */
export class Restate1766000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE cues CHANGE COLUMN IF EXISTS asserted restate BOOLEAN NULL");
    await rename(runner, POLICIES, '"live":true', '"view":true');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE cues CHANGE COLUMN IF EXISTS restate asserted BOOLEAN NULL");
    await rename(
      runner,
      POLICIES.map(([old, now]) => [now, old] as const),
      '"view":true',
      '"live":true',
    );
  }
}

async function rename(runner: QueryRunner, policies: readonly (readonly [string, string])[], from: string, to: string): Promise<void> {
  for (const [old, now] of policies) {
    const names = [`"policy":"${old}"`, `"policy":"${now}"`];
    await runner.query("UPDATE cue_lists SET marks = REPLACE(marks, ?, ?) WHERE marks IS NOT NULL", names);
    await runner.query("UPDATE cues SET mark = REPLACE(mark, ?, ?) WHERE mark IS NOT NULL", names);
  }
  await runner.query("UPDATE cues SET mark = REPLACE(mark, ?, ?) WHERE mark IS NOT NULL", [from, to]);
}
