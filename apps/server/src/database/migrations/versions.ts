import type { MigrationInterface, QueryRunner } from "typeorm";

/** States of a show that have a name. */
export class Versions1764400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS versions (show_id INT NOT NULL, revision INT NOT NULL, name VARCHAR(200) NOT NULL, made_at DATETIME NOT NULL,
        PRIMARY KEY (show_id, revision), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE versions");
  }
}
