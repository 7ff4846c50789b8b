import type { MigrationInterface, QueryRunner } from "typeorm";

/** What else stands beside the cues, and the times that palettes carry. */
export class Entries1766300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS show_entries (show_id INT NOT NULL, kind VARCHAR(20) NOT NULL, id VARCHAR(64) NOT NULL, position INT NOT NULL,
        data LONGTEXT NOT NULL, PRIMARY KEY (show_id, kind, id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
    );
    await runner.query("ALTER TABLE palettes ADD COLUMN IF NOT EXISTS times LONGTEXT NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE palettes DROP COLUMN IF EXISTS times");
    await runner.query("DROP TABLE IF EXISTS show_entries");
  }
}
