import type { MigrationInterface, QueryRunner } from "typeorm";

/** Who made an edit and where the running list stood with it; what new cues start with; a Hand that could not be read. */
export class Histories1764200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE edits ADD COLUMN made_by VARCHAR(64) NULL, ADD COLUMN run LONGTEXT NULL");
    await runner.query("ALTER TABLE shows ADD COLUMN new_cue LONGTEXT NULL");
    await runner.query("ALTER TABLE hands ADD COLUMN damaged LONGTEXT NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE hands DROP COLUMN damaged");
    await runner.query("ALTER TABLE shows DROP COLUMN new_cue");
    await runner.query("ALTER TABLE edits DROP COLUMN made_by, DROP COLUMN run");
  }
}
