import { randomBytes } from "node:crypto";
import { mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import { type OutputSettings, outputSettings } from "@zm/protocol";

/** Nothing is sent until it is switched on; then to this machine alone. */
const AT_FIRST: OutputSettings = { on: false, address: "127.0.0.1:5568", universes: {} };

/** The settings of the output in a file of their own, with the id of this sender, which is kept for good. */
export class OutputFile {
  settings: OutputSettings;
  readonly cid: Buffer;

  /** `switchedOn` is an address to which levels are sent whatever the file says. */
  constructor(
    private readonly path: string,
    switchedOn: string | undefined,
  ) {
    const { cid, settings } = read(path);
    this.cid = cid ?? randomBytes(16);
    this.settings = switchedOn === undefined ? settings : { ...settings, on: true, address: switchedOn };
    if (!cid) this.write();
  }

  /** Takes other settings, and keeps them. What goes wrong with the disk comes through. */
  set(settings: OutputSettings): void {
    this.settings = settings;
    this.write();
  }

  private write(): void {
    mkdirSync(dirname(this.path), { recursive: true });
    writeFileSync(`${this.path}.new`, JSON.stringify({ cid: this.cid.toString("hex"), ...this.settings }));
    renameSync(`${this.path}.new`, this.path);
  }
}

function read(path: string): { cid: Buffer | undefined; settings: OutputSettings } {
  try {
    const raw: unknown = JSON.parse(readFileSync(path, "utf8"));
    const cid: unknown = typeof raw === "object" && raw !== null ? Reflect.get(raw, "cid") : undefined;
    const parsed = outputSettings.safeParse(raw);
    return {
      cid: typeof cid === "string" && /^[0-9a-f]{32}$/.test(cid) ? Buffer.from(cid, "hex") : undefined,
      settings: parsed.success ? parsed.data : AT_FIRST,
    };
  } catch {
    return { cid: undefined, settings: AT_FIRST };
  }
}
