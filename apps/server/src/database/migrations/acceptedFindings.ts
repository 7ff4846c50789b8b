import type { MigrationInterface, QueryRunner } from "typeorm";

/** Findings that somebody has accepted. */
export class AcceptedFindings1764500000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS accepted_findings (show_id INT NOT NULL, finding CHAR(16) NOT NULL, note VARCHAR(500) NOT NULL, made_at DATETIME NOT NULL,
        PRIMARY KEY (show_id, finding), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE accepted_findings");
  }
}
