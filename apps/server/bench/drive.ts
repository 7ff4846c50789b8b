import { type ChildProcess, fork } from "node:child_process";
import { once } from "node:events";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { type Browser, chromium } from "@playwright/test";
import { OWN_HEADER, SHOW_TYPE } from "@zm/protocol";
import type { Ask, Reading } from "./served.ts";

/** A server in a process of its own, so that what asks it does not disturb what is measured. */
export class Served {
  private constructor(
    readonly address: string,
    private readonly process: ChildProcess,
  ) {}

  static async start(): Promise<Served> {
    const child = fork(fileURLToPath(new URL("served.js", import.meta.url)), {
      stdio: ["ignore", "inherit", "inherit", "ipc"],
      execArgv: readFileSync("apps/server/node-flags", "utf8").trim().split(/\s+/),
    });
    const [{ address }] = (await once(child, "message")) as [{ address: string }];
    return new Served(address.replace("[::1]", "127.0.0.1"), child);
  }

  async read(): Promise<Reading> {
    this.ask("read");
    const [reading] = (await once(this.process, "message")) as [Reading];
    return reading;
  }

  /** How much room the database takes on the disk, bytes. */
  async size(): Promise<number> {
    this.ask("size");
    const [bytes] = (await once(this.process, "message")) as [number];
    return bytes;
  }

  async end(): Promise<void> {
    this.ask("end");
    await once(this.process, "exit");
  }

  private ask(what: Ask): void {
    this.process.send(what);
  }

  async request(method: string, path: string, body?: string | object): Promise<Response> {
    const type = typeof body === "string" ? SHOW_TYPE : "application/json";
    const response = await fetch(`${this.address}/api/shows${path}`, {
      method,
      headers: { [OWN_HEADER.name]: OWN_HEADER.value, ...(body === undefined ? {} : { "Content-Type": type }) },
      ...(body === undefined ? {} : { body: typeof body === "string" ? body : JSON.stringify(body) }),
    });
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${(await response.text()).slice(0, 300)}`);
    return response;
  }
}

/** Imports a document; gives the number of the show that it became. */
export async function idOf(server: Served, text: string): Promise<number> {
  const { id } = (await (await server.request("POST", "", text)).json()) as { id: number };
  return id;
}

/** A browser as the journeys use it. */
export function startBrowser(): Promise<Browser> {
  const flags: string[] = JSON.parse(readFileSync(new URL("../../../../e2e/chromium.json", import.meta.url), "utf8"));
  return chromium.launch({ executablePath: process.env["ZM_CHROMIUM"] ?? "/usr/bin/chromium", args: flags });
}

export function print(text: string): void {
  process.stdout.write(`${text}\n`);
}
