import { createServer } from "node:http";
import { readShow } from "@zm/core";
import type { FromServer, ToServer } from "@zm/protocol";
import { type Socket, io } from "socket.io-client";
import { LevelReceiver } from "./receiver.ts";
import { DummyRig } from "./rig.ts";

/** The lights move so often, and tell of themselves so often while they do; milliseconds. */
const FRAME = 25;
const TELLING = 50;
const AT_REST = 1000;
/** It is asked so often which show is on stage, and whether its rig has changed; milliseconds. */
const ASKING = 1000;

/** Simulated lights that receive what a show sends, move with their own speeds, and tell the show's windows where they are. */
class DummyRigProgram {
  private readonly socket: Socket<FromServer, ToServer>;
  private readonly levels = new Map<number, Uint8Array>();
  private rig: DummyRig | undefined;
  private show: number | null = null;
  private revision = -1;
  private movedAt = performance.now();
  private toldAt = 0;
  /** With what programs of this machine come in where people have accounts. */
  private readonly headers: Record<string, string>;
  private moving = false;

  constructor(
    private readonly server: string,
    key: string | undefined,
  ) {
    this.headers = key === undefined ? {} : { authorization: `Bearer ${key}` };
    this.socket = io(server, { transports: ["websocket"], extraHeaders: this.headers });
  }

  async start(port: number, webPort: number): Promise<void> {
    const receiver = new LevelReceiver((universe, { levels }) => {
      this.levels.set(universe, levels);
      this.rig?.tell(universe, levels);
    });
    await receiver.listen(port);
    createServer((request, response) => {
      // A foreign page that reached it by another name reads nothing.
      if (![`127.0.0.1:${webPort}`, `localhost:${webPort}`].includes(request.headers.host ?? "")) {
        response.writeHead(403, { "content-type": "application/json" });
        response.end(JSON.stringify({ message: "This address is not served here" }));
        return;
      }
      response.setHeader("content-type", "application/json");
      response.end(JSON.stringify(this.account()));
    }).listen(webPort, "127.0.0.1");
    setInterval(() => this.frame(), FRAME);
    setInterval(() => void this.follow(), ASKING);
    process.stdout.write(`The dummy rig receives at 127.0.0.1:${port} and tells what it sees at http://127.0.0.1:${webPort}\n`);
  }

  private account(): object {
    const universes = Object.fromEntries([...this.levels].map(([universe, levels]) => [universe, [...levels]]));
    return { show: this.show, universes, told: this.rig?.told() ?? {}, seen: this.rig?.seen() ?? {}, moving: this.moving };
  }

  /** Takes the rig of the show on stage, and takes it anew when the show has been edited. */
  private async follow(): Promise<void> {
    try {
      const output = await this.read("/api/output");
      const show = numberOf(output, "show");
      if (show === undefined) return;
      const shows = await this.read("/api/shows");
      const own: unknown = Array.isArray(shows) ? shows.find((each) => numberOf(each, "id") === show) : undefined;
      const revision = numberOf(own, "revision") ?? this.revision;
      if (show === this.show && revision === this.revision) return;
      const document = await fetch(`${this.server}/api/shows/${show}/document`, { headers: this.headers });
      const rig = new DummyRig(readShow(await document.json()));
      for (const [universe, levels] of this.levels) rig.tell(universe, levels);
      rig.standAs(show === this.show ? (this.rig?.seen() ?? {}) : {});
      [this.rig, this.show, this.revision] = [rig, show, revision];
    } catch {
      // The server is away; the lights stay where they are, and it is asked again.
    }
  }

  private async read(path: string): Promise<unknown> {
    return (await fetch(`${this.server}${path}`, { headers: this.headers })).json();
  }

  private frame(): void {
    const now = performance.now();
    const { rig, show } = this;
    if (rig) this.moving = rig.move((now - this.movedAt) / 1000);
    this.movedAt = now;
    if (!rig || show === null || now - this.toldAt < (this.moving ? TELLING : AT_REST)) return;
    this.toldAt = now;
    this.socket.emit("rig", { show, moving: this.moving, values: rig.seen() });
  }
}

function numberOf(value: unknown, field: string): number | undefined {
  const found: unknown = typeof value === "object" && value !== null ? Reflect.get(value, field) : undefined;
  return typeof found === "number" ? found : undefined;
}

const env = process.env;
const program = new DummyRigProgram(`http://127.0.0.1:${env["ZM_PORT"] ?? "4600"}`, env["ZM_LOCAL_KEY"]);
program.start(Number(env["ZM_RIG_PORT"] ?? 5568), Number(env["ZM_RIG_WEB_PORT"] ?? 4602)).catch((error: unknown) => {
  process.stderr.write(`The dummy rig could not start: ${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
