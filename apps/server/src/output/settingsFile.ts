import { randomBytes } from "node:crypto";
import { type OutputSettings, outputSettings } from "@zm/protocol";
import { readJsonFile, writeJsonFile } from "../shared/jsonFile.ts";

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
    writeJsonFile(this.path, { cid: this.cid.toString("hex"), ...this.settings });
  }
}

function read(path: string): { cid: Buffer | undefined; settings: OutputSettings } {
  const raw = readJsonFile(path);
  const cid: unknown = typeof raw === "object" && raw !== null ? Reflect.get(raw, "cid") : undefined;
  const parsed = outputSettings.safeParse(raw);
  return {
    cid: typeof cid === "string" && /^[0-9a-f]{32}$/.test(cid) ? Buffer.from(cid, "hex") : undefined,
    settings: parsed.success ? parsed.data : AT_FIRST,
  };
}
