// The servers of a fault script: each with a data folder of its own, started again when it ends, with what each said of the lead and when.
import { spawn } from "node:child_process";
import { setTimeout as sleep } from "node:timers/promises";
import { serverFlags } from "../serverFlags.mjs";

const SAID = /Term (\d+)(: this server leads now| is over|: neither the database|: the database is reached again)/;

/** One server. `inside` is the command that it runs in, such as that of a network of its own. */
export class OwnServer {
  constructor({ name, address, env, inside = [], health = address }) {
    Object.assign(this, { name, address, env, inside, health, leads: [], process: null, ended: false, lines: [] });
  }

  start() {
    const command = [...this.inside, "node", ...serverFlags(), "--no-warnings", "apps/server/dist/main.js"];
    const child = spawn(command[0], command.slice(1), { env: { ...process.env, NODE_OPTIONS: "", ZM_LOG_LEVEL: "info", ...this.env } });
    this.process = child;
    let rest = "";
    const hear = (data) => {
      const lines = (rest + data).split("\n");
      rest = lines.pop();
      for (const line of lines) this.hear(line);
    };
    child.stdout.on("data", hear);
    child.stderr.on("data", hear);
    child.on("exit", (code) => {
      this.note("ends");
      if (!this.ended && this.process === child) void sleep(code === 75 ? 50 : 700).then(() => (this.ended ? undefined : this.start()));
    });
  }

  hear(line) {
    // That somebody asked says little of what went wrong.
    if (!line.includes('"req"')) this.lines.push(line.slice(0, 400));
    if (this.lines.length > 200) this.lines.shift();
    const said = SAID.exec(line);
    if (said) this.note(/leads now|reached again/.test(said[2]) ? "leads" : "ends", Number(said[1]));
    // The first of all leads without a word.
    if (line.startsWith("Zealous Mark is at") && !this.leads.some(({ what }) => what === "leads")) this.isUp = true;
    if (line.startsWith("It follows")) this.note("ends");
  }

  note(what, term = null) {
    this.leads.push({ at: performance.now(), what, term });
  }

  /** Kills it as a machine dies: at once. */
  kill() {
    this.note("ends");
    this.process.kill("SIGKILL");
  }

  end() {
    this.ended = true;
    this.process?.kill("SIGKILL");
  }
}

/** The moments in which two servers said that they lead, milliseconds; [] where never. */
export function together(servers) {
  const spans = servers.flatMap(({ name, leads }) => {
    const own = [];
    let since = null;
    for (const { at, what } of leads) {
      if (what === "leads") since ??= at;
      else if (since !== null) {
        own.push({ name, from: since, to: at });
        since = null;
      }
    }
    if (since !== null) own.push({ name, from: since, to: performance.now() });
    return own;
  });
  return spans.flatMap((one, index) =>
    spans
      .slice(index + 1)
      .filter((other) => other.name !== one.name)
      .map((other) => Math.min(one.to, other.to) - Math.max(one.from, other.from))
      .filter((span) => span > 0),
  );
}
