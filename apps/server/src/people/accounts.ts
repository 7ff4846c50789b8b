import { ConflictException, NotFoundException } from "@nestjs/common";
import { ShowError } from "@zm/core";
import { NAME_FAULT, PERSON_NAME, type Role } from "@zm/protocol";
import type { EntityManager } from "typeorm";
import { AccountRow, SessionRow } from "../database/entities.ts";
import { hashPassword } from "./passwords.ts";

/** A name as it is compared: two that people would take for the same are. */
export function keyOf(name: string): string {
  return name.trim().normalize("NFKC").toLowerCase();
}

/** The account of a name. Throws NotFoundException where nobody has it. */
export async function accountNamed(manager: EntityManager, name: string): Promise<AccountRow> {
  const account = await manager.findOneBy(AccountRow, { nameKey: keyOf(name) });
  if (account) return account;
  const names = (await manager.find(AccountRow, { order: { id: "ASC" } })).map((each) => each.name);
  throw new NotFoundException(
    `Nobody is called ${name} here; ${names.length > 0 ? `there are ${names.join(", ")}` : "nobody has an account yet"}`,
  );
}

/** Makes an account. Throws ShowError for a name or a password that is none, ConflictException for a name that somebody has, or a first account that is no programmer's. */
export async function addAccount(manager: EntityManager, name: string, role: Role, password: string): Promise<void> {
  const plain = name.trim();
  if (!PERSON_NAME.test(plain)) throw new ShowError(NAME_FAULT);
  const nameKey = keyOf(plain);
  if (await manager.existsBy(AccountRow, { nameKey })) throw new ConflictException(`${plain} has an account already; choose another name`);
  if (role !== "programmer" && !(await manager.existsBy(AccountRow, { role: "programmer" })))
    throw new ConflictException("The first account is a programmer's, who can let others in");
  await manager.insert(AccountRow, { name: plain, nameKey, role, password: await hashPassword(password), madeAt: new Date() });
}

/** Gives somebody another role. Throws ConflictException for the last programmer, without whom nobody could be let in. */
export async function changeRole(manager: EntityManager, name: string, role: Role): Promise<void> {
  const account = await accountNamed(manager, name);
  if (role !== "programmer") await expectAnotherProgrammer(manager, account);
  await manager.update(AccountRow, { id: account.id }, { role });
}

/** Gives somebody another password, and signs out every browser of theirs. Throws ShowError for one that is none. */
export async function changePassword(manager: EntityManager, { id }: Pick<AccountRow, "id">, next: string): Promise<void> {
  await manager.update(AccountRow, { id }, { password: await hashPassword(next) });
  await manager.delete(SessionRow, { accountId: id });
}

/** Takes an account away, with its browsers. Throws ConflictException for the last programmer, unless nobody else has an account and `evenTheLast` is said. */
export async function removeAccount(
  manager: EntityManager,
  name: string,
  { evenTheLast }: { readonly evenTheLast: boolean },
): Promise<void> {
  const account = await accountNamed(manager, name);
  const isOnly = (await manager.count(AccountRow)) === 1;
  if (!(isOnly && evenTheLast)) await expectAnotherProgrammer(manager, account);
  await manager.delete(AccountRow, { id: account.id });
}

async function expectAnotherProgrammer(manager: EntityManager, { id, name, role }: AccountRow): Promise<void> {
  if (role !== "programmer") return;
  const programmers = await manager.find(AccountRow, { where: { role: "programmer" }, lock: { mode: "pessimistic_write" } });
  if (!programmers.some((each) => each.id !== id))
    throw new ConflictException(`${name} is the last programmer; make somebody else one first`);
}
