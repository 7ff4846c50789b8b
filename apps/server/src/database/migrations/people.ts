import type { MigrationInterface, QueryRunner } from "typeorm";

/** Accounts, the browsers they are signed in with, invitations, and who made an edit. */
export class People1766400000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE IF NOT EXISTS accounts (id INT AUTO_INCREMENT PRIMARY KEY, name VARCHAR(40) NOT NULL, name_key VARCHAR(80) NOT NULL UNIQUE,
        role VARCHAR(20) NOT NULL, password VARCHAR(200) NOT NULL, made_at DATETIME NOT NULL) COLLATE utf8mb4_bin`,
    );
    await runner.query(
      `CREATE TABLE IF NOT EXISTS sessions (token CHAR(64) PRIMARY KEY, account_id INT NOT NULL, seen_at DATETIME NOT NULL,
        FOREIGN KEY (account_id) REFERENCES accounts (id) ON DELETE CASCADE) COLLATE utf8mb4_bin`,
    );
    await runner.query(
      `CREATE TABLE IF NOT EXISTS invitations (id INT AUTO_INCREMENT PRIMARY KEY, code CHAR(64) NOT NULL UNIQUE, role VARCHAR(20) NOT NULL,
        made_by VARCHAR(40) NULL, ends_at DATETIME NOT NULL) COLLATE utf8mb4_bin`,
    );
    await runner.query("ALTER TABLE edits ADD COLUMN IF NOT EXISTS person VARCHAR(40) NULL");
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query("ALTER TABLE edits DROP COLUMN IF EXISTS person");
    for (const table of ["invitations", "sessions", "accounts"]) await runner.query(`DROP TABLE IF EXISTS ${table}`);
  }
}
