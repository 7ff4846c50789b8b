import type { MigrationInterface, QueryRunner } from "typeorm";

/** What is in hand for each show, so that a look that was built and not yet recorded outlives the server. */
export class Hands1764100000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS hands (show_id INT NOT NULL PRIMARY KEY, hand LONGTEXT NOT NULL,
        FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE) COLLATE utf8mb4_bin`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE hands");
  }
}
