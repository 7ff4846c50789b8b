import type { MigrationInterface, QueryRunner } from "typeorm";

const TABLES = [
  `CREATE TABLE IF NOT EXISTS shows (id INT AUTO_INCREMENT PRIMARY KEY, title VARCHAR(200) NOT NULL, revision INT NOT NULL, script LONGTEXT NULL)`,
  `CREATE TABLE IF NOT EXISTS fixture_types (show_id INT NOT NULL, id VARCHAR(64) NOT NULL, position INT NOT NULL, name VARCHAR(200) NOT NULL, attributes LONGTEXT NOT NULL,
    PRIMARY KEY (show_id, id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS channels (show_id INT NOT NULL, number INT NOT NULL, position INT NOT NULL, type VARCHAR(64) NOT NULL, label VARCHAR(200) NULL, patch LONGTEXT NULL, place LONGTEXT NULL,
    PRIMARY KEY (show_id, number), FOREIGN KEY (show_id, type) REFERENCES fixture_types (show_id, id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS channel_groups (show_id INT NOT NULL, id VARCHAR(64) NOT NULL, position INT NOT NULL, label VARCHAR(200) NOT NULL, channels LONGTEXT NOT NULL,
    PRIMARY KEY (show_id, id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS palettes (show_id INT NOT NULL, id VARCHAR(64) NOT NULL, position INT NOT NULL, family VARCHAR(20) NOT NULL, label VARCHAR(200) NOT NULL,
    PRIMARY KEY (show_id, id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS palette_values (show_id INT NOT NULL, palette_id VARCHAR(64) NOT NULL, position INT NOT NULL, attribute VARCHAR(64) NOT NULL, value DOUBLE NOT NULL, type VARCHAR(64) NULL, channel INT NULL,
    PRIMARY KEY (show_id, palette_id, position), FOREIGN KEY (show_id, palette_id) REFERENCES palettes (show_id, id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS paces (show_id INT NOT NULL, id VARCHAR(64) NOT NULL, position INT NOT NULL, label VARCHAR(200) NOT NULL, timing LONGTEXT NOT NULL,
    PRIMARY KEY (show_id, id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS cue_lists (show_id INT NOT NULL, id VARCHAR(64) NOT NULL, position INT NOT NULL, label VARCHAR(200) NOT NULL, marks LONGTEXT NULL,
    PRIMARY KEY (show_id, id), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS cues (show_id INT NOT NULL, list_id VARCHAR(64) NOT NULL, cue INT NOT NULL, label VARCHAR(200) NULL, note TEXT NULL, scene VARCHAR(60) NULL, block BOOLEAN NULL, asserted BOOLEAN NULL,
    carries VARCHAR(20) NULL, fires_on LONGTEXT NULL, mark LONGTEXT NULL, called_at LONGTEXT NULL, actions LONGTEXT NULL,
    PRIMARY KEY (show_id, list_id, cue), FOREIGN KEY (show_id, list_id) REFERENCES cue_lists (show_id, id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS parts (show_id INT NOT NULL, list_id VARCHAR(64) NOT NULL, cue INT NOT NULL, part INT NOT NULL, label VARCHAR(200) NULL, curve VARCHAR(20) NULL,
    up_time DOUBLE NULL, down_time DOUBLE NULL, up_delay DOUBLE NULL, down_delay DOUBLE NULL, family_times LONGTEXT NULL,
    PRIMARY KEY (show_id, list_id, cue, part), FOREIGN KEY (show_id, list_id, cue) REFERENCES cues (show_id, list_id, cue) ON DELETE CASCADE ON UPDATE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS moves (show_id INT NOT NULL, list_id VARCHAR(64) NOT NULL, cue INT NOT NULL, channel INT NOT NULL, attribute VARCHAR(64) NOT NULL, part INT NOT NULL,
    value DOUBLE NULL, palette VARCHAR(64) NULL, released BOOLEAN NOT NULL, fade DOUBLE NULL, delay DOUBLE NULL, curve VARCHAR(20) NULL,
    PRIMARY KEY (show_id, list_id, cue, channel, attribute),
    KEY by_part (show_id, list_id, cue, part),
    CONSTRAINT one_target CHECK ((value IS NOT NULL) + (palette IS NOT NULL) + released = 1),
    FOREIGN KEY (show_id, list_id, cue, part) REFERENCES parts (show_id, list_id, cue, part) ON DELETE CASCADE ON UPDATE CASCADE,
    FOREIGN KEY (show_id, channel) REFERENCES channels (show_id, number))`,
  `CREATE TABLE IF NOT EXISTS edits (show_id INT NOT NULL, revision INT NOT NULL, kind VARCHAR(10) NOT NULL, of_revision INT NULL, summary VARCHAR(400) NOT NULL, steps LONGTEXT NOT NULL, made_at DATETIME NOT NULL,
    PRIMARY KEY (show_id, revision), FOREIGN KEY (show_id) REFERENCES shows (id) ON DELETE CASCADE)`,
  `CREATE TABLE IF NOT EXISTS runs (show_id INT NOT NULL, list_id VARCHAR(64) NOT NULL, cue INT NULL,
    PRIMARY KEY (show_id, list_id), FOREIGN KEY (show_id, list_id) REFERENCES cue_lists (show_id, id) ON DELETE CASCADE)`,
];

/** The first tables: a show as rows with keys and constraints, and its history of edits. */
export class FirstTables1764000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const table of TABLES) await runner.query(`${table} COLLATE utf8mb4_bin`);
  }

  async down(runner: QueryRunner): Promise<void> {
    const names = TABLES.map((table) => table.split(" ")[5]).reverse();
    for (const name of names) await runner.query(`DROP TABLE ${name}`);
  }
}
