import type { MigrationInterface, QueryRunner } from "typeorm";

/** What changes of ranges do behind them where nothing is said of it. Databases of which the run log was begun early lack its column for the steps of chases. */
export class EditsAfter1766100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE shows ADD COLUMN IF NOT EXISTS edits_after VARCHAR(10) NULL");
    await runner.query("ALTER TABLE run_log ADD COLUMN IF NOT EXISTS steps INT NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE shows DROP COLUMN IF EXISTS edits_after");
  }
}
