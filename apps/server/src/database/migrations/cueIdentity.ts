import type { MigrationInterface, QueryRunner } from "typeorm";

const HEAD = "label, note, scene, block, asserted, carries, fires_on, mark, called_at, actions";
const TIMES = "label, curve, up_time, down_time, up_delay, down_delay, family_times";
const MOVE = "value, palette, released, fade, delay, curve";

const NEW_TABLES = [
  `CREATE TABLE new_cues (id INT AUTO_INCREMENT PRIMARY KEY, show_id INT NOT NULL, list_id VARCHAR(64) NOT NULL, number INT NOT NULL,
    label VARCHAR(200) NULL, note TEXT NULL, scene VARCHAR(60) NULL, block BOOLEAN NULL, asserted BOOLEAN NULL,
    carries VARCHAR(20) NULL, fires_on LONGTEXT NULL, mark LONGTEXT NULL, called_at LONGTEXT NULL, actions LONGTEXT NULL,
    UNIQUE KEY by_number (show_id, list_id, number), FOREIGN KEY (show_id, list_id) REFERENCES cue_lists (show_id, id) ON DELETE CASCADE)`,
  `CREATE TABLE new_parts (id INT AUTO_INCREMENT PRIMARY KEY, cue_id INT NOT NULL, number INT NOT NULL, label VARCHAR(200) NULL, curve VARCHAR(20) NULL,
    up_time DOUBLE NULL, down_time DOUBLE NULL, up_delay DOUBLE NULL, down_delay DOUBLE NULL, family_times LONGTEXT NULL,
    UNIQUE KEY by_number (cue_id, number), FOREIGN KEY (cue_id) REFERENCES new_cues (id) ON DELETE CASCADE)`,
  `CREATE TABLE new_moves (part_id INT NOT NULL, channel INT NOT NULL, attribute VARCHAR(64) NOT NULL,
    value DOUBLE NULL, palette VARCHAR(64) NULL, released BOOLEAN NOT NULL, fade DOUBLE NULL, delay DOUBLE NULL, curve VARCHAR(20) NULL,
    PRIMARY KEY (part_id, channel, attribute),
    CONSTRAINT has_one_target CHECK ((value IS NOT NULL) + (palette IS NOT NULL) + released = 1),
    FOREIGN KEY (part_id) REFERENCES new_parts (id) ON DELETE CASCADE)`,
];
const COPIES = [
  `INSERT INTO new_cues (show_id, list_id, number, ${HEAD}) SELECT show_id, list_id, cue, ${HEAD} FROM cues ORDER BY show_id, list_id, cue`,
  `INSERT INTO new_parts (cue_id, number, ${TIMES}) SELECT c.id, p.part, ${columnsOf("p", TIMES)}
    FROM parts p JOIN new_cues c ON c.show_id = p.show_id AND c.list_id = p.list_id AND c.number = p.cue ORDER BY c.id, p.part`,
  `INSERT INTO new_moves (part_id, channel, attribute, ${MOVE}) SELECT p.id, m.channel, m.attribute, ${columnsOf("m", MOVE)}
    FROM moves m JOIN new_cues c ON c.show_id = m.show_id AND c.list_id = m.list_id AND c.number = m.cue
    JOIN new_parts p ON p.cue_id = c.id AND p.number = m.part ORDER BY p.id`,
];
const TABLES = ["moves", "parts", "cues"];

/**
 * Gives each cue and part an identity of its own: its number becomes a column, and moves hang on the part. The tables are
 * made and filled beside the old ones and then change places with them at once, so that one that is cut off can begin again.
 */
export class CueIdentity1764300000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    if (!(await runner.hasColumn("cues", "id"))) {
      for (const table of TABLES) await runner.query(`DROP TABLE IF EXISTS new_${table}`);
      for (const statement of [...NEW_TABLES, ...COPIES])
        await runner.query(`${statement}${statement.startsWith("CREATE") ? " COLLATE utf8mb4_bin" : ""}`);
      const names = TABLES.map((table) => `${table} TO old_${table}, new_${table} TO ${table}`);
      await runner.query(`RENAME TABLE ${names.join(", ")}`);
    }
    for (const table of TABLES) await runner.query(`DROP TABLE IF EXISTS old_${table}`);
  }

  async down(): Promise<void> {
    throw new Error("Cues keep their identity; to go back, export the shows and import them into an older server");
  }
}

function columnsOf(table: string, columns: string): string {
  return columns
    .split(", ")
    .map((column) => `${table}.${column}`)
    .join(", ");
}
