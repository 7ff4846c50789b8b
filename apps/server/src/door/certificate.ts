import { X509Certificate } from "node:crypto";
import { existsSync, mkdirSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { createSecureContext } from "node:tls";
import { generate } from "selfsigned";
import writeFileAtomic from "write-file-atomic";
import type { Settings } from "../settings.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { hostsOf, isLoopback } from "./addresses.ts";

/** A certificate of our own is valid for so long; milliseconds. */
const VALID = 825 * 24 * 3_600_000;
/** One that ends within so long is made anew; milliseconds. */
const RENEWED = 14 * 24 * 3_600_000;

/** With what the server proves who it is to other machines, and what people compare to know that it is this one. A class, so that Nest can inject it. */
export class Certificate {
  constructor(
    /** Both as PEM; null on a server that serves this machine alone. */
    readonly pair: { readonly cert: string; readonly key: string } | null,
  ) {}

  /** Its SHA-256, in pairs of digits; null where there is none. */
  get fingerprint(): string | null {
    return this.pair && new X509Certificate(this.pair.cert).fingerprint256;
  }

  /** The user's own certificate, or one that is made at the first start and kept. None for a server of this machine alone. Throws an Error naming the file that cannot be used. */
  static async of(settings: Pick<Settings, "host" | "tlsCert" | "tlsKey" | "runs">): Promise<Certificate> {
    const { host, tlsCert, tlsKey } = settings;
    if (isLoopback(host)) return new Certificate(null);
    if (tlsCert === undefined || tlsKey === undefined) return new Certificate(await ownPair(join(settings.runs, "certificate"), host));
    const pair = { cert: fileText(tlsCert, "ZM_TLS_CERT"), key: fileText(tlsKey, "ZM_TLS_KEY") };
    expectUsable(pair, `ZM_TLS_CERT and ZM_TLS_KEY: ${tlsCert} and ${tlsKey}`);
    return new Certificate(pair);
  }
}

async function ownPair(folder: string, host: string): Promise<{ cert: string; key: string }> {
  const [certPath, keyPath] = [join(folder, "cert.pem"), join(folder, "key.pem")];
  if (existsSync(certPath) && existsSync(keyPath)) {
    const kept = { cert: readFileSync(certPath, "utf8"), key: readFileSync(keyPath, "utf8") };
    if (isFresh(kept, host)) return kept;
  }
  const names = ["localhost", ...hostsOf(host)];
  const made = await generate([{ name: "commonName", value: "Zealous Mark" }], {
    keySize: 2048,
    algorithm: "sha256",
    notAfterDate: new Date(Date.now() + VALID),
    extensions: [
      { name: "basicConstraints", cA: false, critical: true },
      { name: "extKeyUsage", serverAuth: true },
      {
        name: "subjectAltName",
        altNames: ["127.0.0.1", ...names].map((name) =>
          /^[\d.]+$/.test(name) ? { type: 7 as const, ip: name } : { type: 2 as const, value: name },
        ),
      },
    ],
  });
  mkdirSync(dirname(certPath), { recursive: true, mode: 0o700 });
  writeFileAtomic.sync(keyPath, made.private, { mode: 0o600 });
  writeFileAtomic.sync(certPath, made.cert, { mode: 0o600 });
  return { cert: made.cert, key: made.private };
}

/** Whether a certificate that was kept can go on being used: it is whole, does not end soon, and has the name of this machine. */
function isFresh(pair: { cert: string; key: string }, host: string): boolean {
  try {
    expectUsable(pair, "");
    const certificate = new X509Certificate(pair.cert);
    const names = hostsOf(host);
    return (
      Date.parse(certificate.validTo) - Date.now() > RENEWED &&
      names.every((name) => (certificate.checkIP(name) ?? certificate.checkHost(name)) !== undefined)
    );
  } catch {
    return false;
  }
}

function expectUsable(pair: { cert: string; key: string }, what: string): void {
  try {
    createSecureContext(pair);
  } catch (error) {
    throw new Error(`${what} are no certificate and its key: ${errorMessage(error)}`, { cause: error });
  }
}

function fileText(path: string, setting: string): string {
  try {
    return readFileSync(path, "utf8");
  } catch {
    throw new Error(`${setting}: ${path} cannot be read`);
  }
}
