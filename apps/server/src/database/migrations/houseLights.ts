import type { MigrationInterface, QueryRunner } from "typeorm";

/** Lights that stay as they are when everything else is put out. */
export class HouseLights1766200000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE channels ADD COLUMN IF NOT EXISTS house BOOLEAN NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE channels DROP COLUMN IF EXISTS house");
  }
}
