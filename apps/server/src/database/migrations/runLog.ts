import type { MigrationInterface, QueryRunner } from "typeorm";

/** Runs of a show, and what was fired in them. */
export class RunLog1764800000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS runs (id INT AUTO_INCREMENT PRIMARY KEY, show_id INT NOT NULL, name VARCHAR(200) NOT NULL, began DOUBLE NOT NULL, speed DOUBLE NOT NULL,
        KEY runs_of_show (show_id, began), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
    );
    await runner.query(
      `CREATE TABLE IF NOT EXISTS run_log (id CHAR(36) PRIMARY KEY, run_id INT NOT NULL, at DOUBLE NOT NULL, place INT NOT NULL, list_id VARCHAR(64) NOT NULL, cue VARCHAR(12) NULL,
        how VARCHAR(10) NOT NULL, fired_by VARCHAR(10) NOT NULL, who VARCHAR(64) NOT NULL,
        KEY log_of_run (run_id, at, place), FOREIGN KEY (run_id) REFERENCES runs (id) ON DELETE CASCADE)`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("DROP TABLE run_log");
    await runner.query("DROP TABLE runs");
  }
}
