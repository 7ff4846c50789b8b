import { randomBytes } from "node:crypto";
import { type OutputSettings, isAddress, outputSettings } from "@zm/protocol";
import { keepAside } from "../shared/soundFile.ts";
import { readJsonFile, writeJsonFile } from "../shared/jsonFile.ts";

/** Nothing is sent until it is switched on; then to this machine alone. */
const AT_FIRST: OutputSettings = { on: false, address: "127.0.0.1:5568", universes: {} };

/** The settings of the output in a file of their own, with the id of this sender, which is kept for good. */
export class OutputFile {
  settings: OutputSettings;
  readonly cid: Buffer;
  /** Why the output is off although the file or the environment says otherwise; null where it is as they say. */
  fault: string | null;

  /** `switchedOn` is an address to which levels are sent whatever the file says. */
  constructor(
    private readonly path: string,
    switchedOn: string | undefined,
    onlyReads = false,
  ) {
    const { cid, settings, fault } = read(path);
    this.cid = cid ?? randomBytes(16);
    this.fault = fault;
    this.settings = switchedOn === undefined ? settings : { ...settings, on: true, address: switchedOn };
    if (switchedOn !== undefined && isAddress(switchedOn)) this.fault = null;
    if (onlyReads) this.fault = "Another server sends the levels of these shows; this one only reads";
    else if (!cid) this.write();
  }

  /** Takes other settings, and keeps them. What goes wrong with the disk comes through. */
  set(settings: OutputSettings): void {
    this.settings = settings;
    this.fault = null;
    this.write();
  }

  private write(): void {
    writeJsonFile(this.path, { cid: this.cid.toString("hex"), ...this.settings });
  }
}

function read(path: string): { cid: Buffer | undefined; settings: OutputSettings; fault: string | null } {
  const { data: raw, exists } = readJsonFile(path);
  const cid: unknown = typeof raw === "object" && raw !== null ? Reflect.get(raw, "cid") : undefined;
  const own = typeof cid === "string" && /^[0-9a-f]{32}$/.test(cid) ? Buffer.from(cid, "hex") : undefined;
  const parsed = outputSettings.safeParse(raw);
  if (parsed.success) return { cid: own, settings: parsed.data, fault: null };
  if (!exists) return { cid: own, settings: AT_FIRST, fault: null };
  const aside = keepAside(path);
  const why = parsed.error.issues[0]?.message ?? "it cannot be read";
  return {
    cid: own,
    settings: AT_FIRST,
    fault: `The output is off: its stored settings are damaged (${why}). Set where levels go in Rig, Output; the old settings are kept in ${aside}`,
  };
}
