import type { MigrationInterface, QueryRunner } from "typeorm";

/** Where lists stand is written down beside the server that runs them, whole, and no longer here. */
export class RunsElsewhere1764700000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE IF EXISTS runs");
  }

  async down(runner: QueryRunner): Promise<void> {
    const keys = "PRIMARY KEY (show_id, list_id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE";
    await runner.query(`CREATE TABLE runs (show_id INT NOT NULL, list_id VARCHAR(64) NOT NULL, cue INT NULL, ${keys})`);
  }
}
