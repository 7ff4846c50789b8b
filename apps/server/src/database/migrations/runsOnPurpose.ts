import type { MigrationInterface, QueryRunner } from "typeorm";

/** Who began a run, whether its times count, and when it was ended. Of older runs those count that somebody gave a name. */
export class RunsOnPurpose1765000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `ALTER TABLE runs ADD COLUMN IF NOT EXISTS owner VARCHAR(64) NULL, ADD COLUMN IF NOT EXISTS counts BOOLEAN NOT NULL DEFAULT FALSE,
        ADD COLUMN IF NOT EXISTS ended DOUBLE NULL`,
    );
    await runner.query("UPDATE runs SET counts = TRUE WHERE speed = 1 AND name <> '' AND owner IS NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE runs DROP COLUMN IF EXISTS ended, DROP COLUMN IF EXISTS counts, DROP COLUMN IF EXISTS owner");
  }
}
