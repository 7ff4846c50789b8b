import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { type Server, createServer, get as getPlain } from "node:http";
import { get as getEncrypted } from "node:https";
import { type AddressInfo, connect, createServer as createNetServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { TLSSocket } from "node:tls";
import { hostsOf, isFromHere, isLoopback } from "../../src/door/addresses.ts";
import { Certificate } from "../../src/door/certificate.ts";
import { openFrontDoor } from "../../src/door/frontDoor.ts";

const ELSEWHERE = "10.9.8.7";
let folder = "";
let http: Server;
const doors: (() => void)[] = [];

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "door-"));
  http = createServer((request, response) => response.end(`${"encrypted" in request.socket ? "encrypted" : "plain"} ${request.url}`));
});
afterEach(() => {
  for (const close of doors.splice(0)) close();
  rmSync(folder, { recursive: true });
});

const own = (host = ELSEWHERE) => Certificate.of({ host, runs: folder, tlsCert: undefined, tlsKey: undefined });

async function freePort(): Promise<number> {
  const probe = createNetServer().listen(0, "127.0.0.1");
  await new Promise((resolve) => probe.once("listening", resolve));
  const { port } = probe.address() as AddressInfo;
  await new Promise((resolve) => probe.close(resolve));
  return port;
}

/** Opens a door of this machine; `isOwn` says who counts as coming from it. */
async function open(certificate: Certificate, isOwn = isFromHere): Promise<number> {
  const port = await freePort();
  doors.push(await openFrontDoor(http, certificate, port, "127.0.0.2", isOwn));
  return port;
}

interface Answer {
  readonly status: number;
  readonly text: string;
  readonly place: string | undefined;
  readonly fingerprint: string | undefined;
}

function ask(scheme: "http" | "https", port: number, host = "127.0.0.2"): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const options = { host, port, path: "/show/1?a=b", rejectUnauthorized: false, agent: false };
    const asked = (scheme === "http" ? getPlain : getEncrypted)(options, (response) => {
      let text = "";
      response.on("data", (chunk: Buffer) => (text += chunk.toString()));
      const fingerprint = scheme === "https" ? (response.socket as TLSSocket).getPeerCertificate().fingerprint256 : undefined;
      response.on("end", () => resolve({ status: response.statusCode ?? 0, text, place: response.headers.location, fingerprint }));
    });
    asked.on("error", reject);
  });
}

test("one port serves what is encrypted to all, with the certificate whose fingerprint is told, and what is plain to this machine", async () => {
  const certificate = await own();
  const port = await open(certificate);
  expect(await ask("https", port)).toMatchObject({ status: 200, text: "encrypted /show/1?a=b", fingerprint: certificate.fingerprint });
  expect(await ask("http", port, "127.0.0.1")).toMatchObject({ status: 200, text: "plain /show/1?a=b" });
});

test("what comes plain from elsewhere reaches nothing, and is sent to the encrypted address", async () => {
  const port = await open(await own(), () => false);
  expect(await ask("http", port)).toMatchObject({ status: 308, place: `https://127.0.0.2:${port}/show/1?a=b`, text: "" });
  expect((await ask("https", port)).status).toBe(200);
});

test("nonsense and silence at the door harm nobody", async () => {
  const port = await open(await own(), () => false);
  for (const bytes of [Buffer.from([0x16, 0, 0, 9]), Buffer.from("\u0000\u0001nonsense\r\n\r\n"), Buffer.alloc(0)]) {
    const socket = connect(port, "127.0.0.1");
    await new Promise((resolve) => socket.once("connect", resolve));
    socket.on("error", () => undefined);
    socket.write(bytes);
    socket.end();
    socket.resume();
    await new Promise((resolve) => socket.once("close", resolve));
  }
  expect((await ask("https", port)).status).toBe(200);
});

test("the certificate that is made is kept for nobody else to read, and made anew for another address only", async () => {
  const first = await own();
  expect(statSync(join(folder, "certificate/key.pem")).mode & 0o777).toBe(0o600);
  expect((await own()).fingerprint).toBe(first.fingerprint);
  const other = await own("10.9.8.8");
  expect(other.fingerprint).not.toBe(first.fingerprint);
  writeFileSync(join(folder, "certificate/cert.pem"), "damaged");
  expect((await own("10.9.8.8")).fingerprint).not.toBe(other.fingerprint);
});

test("the user's own certificate is used as it is; files that are none, or not there, are refused by name", async () => {
  await own();
  const [tlsCert, tlsKey] = [join(folder, "mine.pem"), join(folder, "mine.key")];
  for (const [to, from] of [
    [tlsCert, "cert.pem"],
    [tlsKey, "key.pem"],
  ] as const)
    writeFileSync(to, readFileSync(join(folder, "certificate", from)));
  const mine = await Certificate.of({ host: ELSEWHERE, runs: folder, tlsCert, tlsKey });
  expect(mine.pair?.cert).toBe(readFileSync(tlsCert, "utf8"));
  await expect(Certificate.of({ host: ELSEWHERE, runs: folder, tlsCert: tlsKey, tlsKey })).rejects.toThrow(
    /are no certificate and its key/,
  );
  await expect(Certificate.of({ host: ELSEWHERE, runs: folder, tlsCert: join(folder, "nowhere"), tlsKey })).rejects.toThrow(
    /ZM_TLS_CERT: .*nowhere cannot be read/,
  );
});

test("a server of this machine alone has no certificate, and is reached by nobody else", async () => {
  for (const host of ["127.0.0.1", "localhost", "::1"]) {
    expect([host, isLoopback(host), hostsOf(host)]).toEqual([host, true, []]);
    expect((await own(host)).fingerprint).toBeNull();
  }
  expect(isFromHere("::ffff:127.0.0.1")).toBe(true);
  for (const address of ["10.0.0.5", "::ffff:10.0.0.5", "127.evil.example", undefined]) expect(isFromHere(address)).toBe(false);
});
