import type { MigrationInterface, QueryRunner } from "typeorm";

/** Who made an edit and where the running list stood with it; what new cues start with; a Hand that could not be read. */
export class Histories1764200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE edits ADD COLUMN IF NOT EXISTS made_by VARCHAR(64) NULL, ADD COLUMN IF NOT EXISTS run LONGTEXT NULL");
    await runner.query("ALTER TABLE shows ADD COLUMN IF NOT EXISTS new_cue LONGTEXT NULL");
    await runner.query("ALTER TABLE hands ADD COLUMN IF NOT EXISTS damaged LONGTEXT NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE hands DROP COLUMN damaged");
    await runner.query("ALTER TABLE shows DROP COLUMN new_cue");
    await runner.query("ALTER TABLE edits DROP COLUMN made_by, DROP COLUMN run");
  }
}
