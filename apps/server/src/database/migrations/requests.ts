import type { MigrationInterface, QueryRunner } from "typeorm";

/** The name of its own that a request for an edit carried, steps of large edits in pieces, steps of chases counted in the run log, and which server has the database. */
export class Requests1764900000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE edits ADD COLUMN IF NOT EXISTS request VARCHAR(64) NULL, ADD COLUMN IF NOT EXISTS pieces INT NULL");
    await runner.query("ALTER TABLE edits ADD UNIQUE KEY IF NOT EXISTS once (show_id, request)");
    await runner.query(
      `CREATE TABLE IF NOT EXISTS edit_pieces (show_id INT NOT NULL, revision INT NOT NULL, piece INT NOT NULL, steps LONGTEXT NOT NULL,
        PRIMARY KEY (show_id, revision, piece),
        FOREIGN KEY (show_id, revision) REFERENCES edits (show_id, revision) ON DELETE CASCADE) COLLATE utf8mb4_bin`,
    );
    await runner.query("ALTER TABLE run_log ADD COLUMN IF NOT EXISTS steps INT NULL");
    await runner.query(
      `CREATE TABLE IF NOT EXISTS servers (name VARCHAR(20) PRIMARY KEY, address VARCHAR(100) NOT NULL, pid INT NOT NULL, since DATETIME NOT NULL) COLLATE utf8mb4_bin`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE IF EXISTS servers");
    await runner.query("ALTER TABLE run_log DROP COLUMN IF EXISTS steps");
    await runner.query("DROP TABLE IF EXISTS edit_pieces");
    await runner.query("ALTER TABLE edits DROP KEY IF EXISTS once, DROP COLUMN IF EXISTS pieces, DROP COLUMN IF EXISTS request");
  }
}
