import type { MigrationInterface, QueryRunner } from "typeorm";

/** What runs beside the main list: held looks, tempos, waves, and how each list runs. */
export class Running1764600000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    const entry = "show_id INT NOT NULL, id VARCHAR(64) NOT NULL, position INT NOT NULL, label VARCHAR(200) NOT NULL";
    const keys = "PRIMARY KEY (show_id, id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE";
    await runner.query(`CREATE TABLE IF NOT EXISTS held_looks (${entry}, settings LONGTEXT NOT NULL, ${keys})`);
    await runner.query(`CREATE TABLE IF NOT EXISTS tempos (${entry}, per_minute DOUBLE NOT NULL, ${keys})`);
    await runner.query("ALTER TABLE cue_lists ADD COLUMN IF NOT EXISTS running LONGTEXT NULL");
    await runner.query("ALTER TABLE cues ADD COLUMN IF NOT EXISTS waves VARCHAR(10) NULL");
    await runner.query("ALTER TABLE parts ADD COLUMN IF NOT EXISTS waves LONGTEXT NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE parts DROP COLUMN waves");
    await runner.query("ALTER TABLE cues DROP COLUMN waves");
    await runner.query("ALTER TABLE cue_lists DROP COLUMN running");
    await runner.query("DROP TABLE tempos");
    await runner.query("DROP TABLE held_looks");
  }
}
