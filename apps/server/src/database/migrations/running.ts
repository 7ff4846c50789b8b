import type { MigrationInterface, QueryRunner } from "typeorm";

/** What runs beside the main list: held looks, tempos, and how each list runs. */
export class Running1764600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    const entry = "show_id INT NOT NULL, id VARCHAR(64) NOT NULL, position INT NOT NULL, label VARCHAR(200) NOT NULL";
    const keys = "PRIMARY KEY (show_id, id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE";
    await runner.query(`CREATE TABLE held_looks (${entry}, settings LONGTEXT NOT NULL, ${keys})`);
    await runner.query(`CREATE TABLE tempos (${entry}, per_minute DOUBLE NOT NULL, ${keys})`);
    await runner.query("ALTER TABLE cue_lists ADD COLUMN running LONGTEXT NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE cue_lists DROP COLUMN running");
    await runner.query("DROP TABLE tempos");
    await runner.query("DROP TABLE held_looks");
  }
}
