import "reflect-metadata";
import { createInterface } from "node:readline/promises";
import { Writable } from "node:stream";
import { text } from "node:stream/consumers";
import { ShowError } from "@zm/core";
import { ROLES, ROLE_WORDS, type Role } from "@zm/protocol";
import type { EntityManager } from "typeorm";
import { openDatabase } from "../database/dataSource.ts";
import { AccountRow } from "../database/entities.ts";
import { readSettings } from "../settings.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { accountNamed, addAccount, changePassword, changeRole, removeAccount } from "./accounts.ts";

const HELP = `npm run account                              lists the accounts there are
npm run account -- add NAME --role ROLE      makes one; the password is asked for, or read from standard input
npm run account -- role NAME ROLE            gives somebody another role
npm run account -- password NAME             gives somebody another password, and signs their browsers out
npm run account -- remove NAME               takes an account away
Roles: ${ROLES.map((role) => `${role} (${ROLE_WORDS[role]})`).join("; ")}
`;

/** Sees to accounts on the machine itself, with the database alone. Prints one JSON value. */
async function work(words: readonly string[]): Promise<unknown> {
  const [command, name, ...rest] = words;
  const source = await openDatabase(readSettings(process.env));
  try {
    const { manager } = source;
    if (command === undefined) return await listed(manager);
    if (name === undefined || command.startsWith("-")) throw new ShowError(HELP);
    if (command === "add") {
      const role = roleOf(rest[0] === "--role" && rest.length === 2 ? rest[1] : undefined);
      const password = await askedPassword(name);
      await source.transaction((own) => addAccount(own, name, role, password));
    } else if (command === "role" && rest.length === 1) await source.transaction((own) => changeRole(own, name, roleOf(rest[0])));
    else if (command === "remove" && rest.length === 0) await source.transaction((own) => removeAccount(own, name, { evenTheLast: true }));
    else if (command === "password" && rest.length === 0) {
      const account = await accountNamed(manager, name);
      const password = await askedPassword(name);
      await source.transaction((own) => changePassword(own, account, password));
    } else throw new ShowError(HELP);
    return await listed(manager);
  } finally {
    await source.destroy();
  }
}

async function listed(manager: EntityManager): Promise<object[]> {
  const accounts = await manager.find(AccountRow, { order: { id: "ASC" } });
  return accounts.map(({ name, role, madeAt }) => ({ name, role, made: madeAt.toISOString() }));
}

function roleOf(word: string | undefined): Role {
  const role = ROLES.find((each) => each === word);
  if (!role) throw new ShowError(word === undefined ? HELP : `"${word}" is no role; roles are ${ROLES.join(", ")}`);
  return role;
}

/** Asks for a password where somebody sits at a keyboard, without showing it; else reads it from standard input. */
async function askedPassword(name: string): Promise<string> {
  if (!process.stdin.isTTY) return (await text(process.stdin)).replace(/\r?\n$/, "");
  process.stderr.write(`Password for ${name}: `);
  const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
  const asking = createInterface({ input: process.stdin, output: silent, terminal: true });
  try {
    return await asking.question("");
  } finally {
    asking.close();
    process.stderr.write("\n");
  }
}

try {
  process.stdout.write(`${JSON.stringify(await work(process.argv.slice(2)), undefined, 1)}\n`);
} catch (error) {
  process.stderr.write(`${errorMessage(error)}\n`);
  process.exitCode = 1;
}
