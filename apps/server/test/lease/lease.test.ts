import { setTimeout as wait } from "node:timers/promises";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { DataSource } from "typeorm";
import { Lease } from "../../src/lease/lease.ts";
import { LeaseTable } from "../../src/lease/leaseTable.ts";
import { BEAT, SILENT } from "../../src/lease/leaseRules.ts";
import type { Settings } from "../../src/settings.ts";
import { emptyDatabase } from "../support/testServer.ts";
import { until } from "../support/until.ts";

const LEADER = { id: "a".repeat(32), address: "http://127.0.0.1:1", certificate: null };
let settings: Settings;
let table: LeaseTable;
const leases: Lease[] = [];

beforeEach(async () => {
  settings = await emptyDatabase();
  table = new LeaseTable(settings.database);
  await table.prepare();
});
afterEach(async () => {
  for (const lease of leases.splice(0)) await lease.end();
  table.end();
  const admin = await new DataSource({ type: "mariadb", ...settings.database, database: settings.database.name }).initialize();
  await admin.query(`DROP DATABASE ${settings.database.name}`);
  await admin.destroy();
});

/** A server over the same database, with a data folder of its own. */
async function server(more: Partial<Settings> = {}): Promise<Lease> {
  const lease = await Lease.take({ ...settings, runs: mkdtempSync(join(tmpdir(), "lease-")), ...more });
  leases.push(lease);
  return lease;
}

/** A leader that is nothing but its lease: it renews it while the test wants it to. */
async function fakeLeader(spares: readonly string[]): Promise<{ fallSilent: () => void }> {
  await table.give(await table.read(), LEADER, 1);
  const { number } = await table.read();
  await table.renew(LEADER.id, number, spares);
  const renewing = setInterval(() => void table.renew(LEADER.id, number, spares).catch(() => undefined), BEAT);
  return { fallSilent: () => clearInterval(renewing) };
}

/** A spare to which a leader has handed the lead. */
async function spareHandedBy(leader: Lease): Promise<Lease> {
  const spare = await server({ spareOf: "127.0.0.1" });
  spare.isReady = () => true;
  await spare.tellPlace("http://127.0.0.1:2", null);
  await leader.addSpare(spare.place.id);
  await leader.handOver(spare.place.id);
  await spare.lookNow();
  return spare;
}

test("the first server leads, a second one reads, and a spare follows", async () => {
  const first = await server();
  expect([first.role.value, first.term]).toEqual(["leads", 1]);
  const second = await server();
  expect([second.role.value, second.readingBecause]).toEqual(["reads", expect.stringContaining("has this database")]);
  const spare = await server({ spareOf: "127.0.0.1" });
  expect([spare.role.value, spare.leader?.id]).toEqual(["follows", first.place.id]);
});

test("a spare takes the lease of a leader that falls silent, in a new term, and no sooner", async () => {
  const spareFolder = mkdtempSync(join(tmpdir(), "lease-"));
  const known = await Lease.take({ ...settings, runs: spareFolder });
  const { id } = known.place;
  await known.end();
  const leader = await fakeLeader([id]);
  const spare = await server({ spareOf: "127.0.0.1", runs: spareFolder });
  spare.isReady = () => true;
  const { term } = spare;
  await wait(2 * SILENT);
  expect(spare.role.value).toBe("follows");
  leader.fallSilent();
  const silent = performance.now();
  await until(() => spare.leads);
  expect(performance.now() - silent).toBeGreaterThan(SILENT - 2 * BEAT);
  expect(spare.term).toBe(term + 1);
  expect(await table.renew(LEADER.id, term, [])).toBe(false);
});

test("a spare that still hears the leader does not take the lease, and one that is not ready neither", async () => {
  const folder = mkdtempSync(join(tmpdir(), "lease-"));
  const known = await Lease.take({ ...settings, runs: folder });
  await known.end();
  const leader = await fakeLeader([known.place.id]);
  const spare = await server({ spareOf: "127.0.0.1", runs: folder });
  leader.fallSilent();
  await wait(2 * SILENT);
  expect(spare.role.value).toBe("follows");
  spare.isReady = () => true;
  const hearing = setInterval(() => spare.hearLeader(), BEAT);
  spare.hearLeader();
  await wait(2 * SILENT);
  expect(spare.role.value).toBe("follows");
  clearInterval(hearing);
  await until(() => spare.leads);
});

test("the lead is handed over, and the one that had it leads no more", async () => {
  const leader = await server();
  const spare = await spareHandedBy(leader);
  expect([spare.role.value, spare.term]).toEqual(["leads", 2]);
  expect([leader.isHanded, leader.leader?.id]).toEqual([true, spare.place.id]);
  await expect(leader.handOver(spare.place.id)).rejects.toThrow("gone to another server already");
  expect(spare.leads).toBe(true);
});

test("a server that led before follows when it comes back", async () => {
  const runs = mkdtempSync(join(tmpdir(), "lease-"));
  const first = await Lease.take({ ...settings, runs });
  const spare = await spareHandedBy(first);
  await first.end();
  const again = await server({ runs });
  expect([again.role.value, again.leader?.id]).toEqual(["follows", spare.place.id]);
});

test("by hand a lease is taken from a leader that is silent, and from no other", async () => {
  const leader = await fakeLeader([]);
  const spare = await server({ spareOf: "127.0.0.1" });
  await expect(spare.takeByHand()).rejects.toThrow("renews it");
  leader.fallSilent();
  await wait(2 * BEAT);
  await spare.takeByHand();
  expect(spare.role.value).toBe("leads");
});
