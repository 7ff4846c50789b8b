import { readFile } from "node:fs/promises";
import { setTimeout } from "node:timers/promises";
import { parseArgs } from "node:util";
import { type ShowSheet, listOf, readShow, sheetOf, clockWords } from "@zm/core";
import type { CallerEvent } from "@zm/protocol";
import { Caller, canBeCalled } from "./caller.ts";
import { OscDoor } from "./oscDoor.ts";

const HELP = `Calls the play of a show: tells standbys, and presses Go at each cue's word, by OSC.

  npm run caller -- [--speed 20] [--show 1] [--from 12] [--list main]

  --speed N     how many times as fast as it is spoken, 1 to 60 (1)
  --show S      the number of a show on the server, or a document (the show on stage, else the first)
  --from CUE    the first cue that is called (the one behind the cue on stage)
  --list ID     the list that is called (the first)
  --server URL  where the server is (http://127.0.0.1:4600)
  --osc ADDRESS where it listens for OSC (127.0.0.1:8765)
  --keep-rate   fades and follows take their own time, however fast the play is read
  --json        a line of JSON for whatever is done and said
`;

const { values } = parseArgs({
  options: {
    speed: { type: "string", default: "1" },
    show: { type: "string" },
    from: { type: "string" },
    list: { type: "string" },
    server: { type: "string", default: `http://127.0.0.1:${process.env["ZM_PORT"] ?? "4600"}` },
    osc: { type: "string", default: process.env["ZM_OSC"] ?? "127.0.0.1:8765" },
    "keep-rate": { type: "boolean", default: false },
    json: { type: "boolean", default: false },
    help: { type: "boolean", default: false },
  },
});

/** What the server answers to a question, as JSON. Throws Error where it does not answer. */
async function ask(path: string): Promise<unknown> {
  const key = process.env["ZM_LOCAL_KEY"];
  const headers = key === undefined ? undefined : { authorization: `Bearer ${key}` };
  const reply = await fetch(`${values.server}${path}`, { headers }).catch(() => {
    throw new Error(`The server at ${values.server} does not answer; start it with ./start`);
  });
  if (reply.status === 401)
    throw new Error(
      `The server at ${values.server} has accounts; give the caller its key as ZM_LOCAL_KEY, from the file local-key beside the data`,
    );
  if (!reply.ok) throw new Error(`The server has no ${path}`);
  return reply.json();
}

/** The show that is called: a document, the show of a number, or the one on stage. */
async function readSheet(): Promise<ShowSheet> {
  const wanted = values.show ?? (await showOnStage());
  const document: unknown = /^\d+$/.test(wanted) ? await ask(`/api/shows/${wanted}/document`) : JSON.parse(await readFile(wanted, "utf8"));
  return sheetOf(readShow(document));
}

async function showOnStage(): Promise<string> {
  const output = await ask("/api/output");
  const onStage: unknown = typeof output === "object" && output !== null ? Reflect.get(output, "show") : null;
  if (typeof onStage === "number") return String(onStage);
  const shows = await ask("/api/shows");
  const first: unknown = Array.isArray(shows) ? shows[0] : undefined;
  const id: unknown = typeof first === "object" && first !== null ? Reflect.get(first, "id") : undefined;
  if (typeof id !== "number") throw new Error("There is no show on the server");
  return String(id);
}

/** Tells what is done and said: for a program, or for somebody who reads along. */
function tell(event: Omit<CallerEvent, "show">): void {
  if (values.json) process.stdout.write(`${JSON.stringify(event)}\n`);
  else process.stdout.write(`${clockWords(Math.floor(event.moment))}  ${event.what === "reads" ? `    ${event.words}` : event.words}\n`);
}

async function main(): Promise<number> {
  if (values.help) {
    process.stdout.write(HELP);
    return 0;
  }
  const speed = Number(values.speed);
  if (!(speed >= 1 && speed <= 60)) throw new Error("--speed is 1 to 60 times as fast as the play is spoken");
  const sheet = await readSheet();
  const list = listOf(sheet, values.list);
  if (!canBeCalled(sheet, list))
    throw new Error("No cue of this list has a place in a script, so there is nothing to call; place cues at their words in the Book");
  const door = new OscDoor(values.osc, (message) => caller.hear(message));
  const caller = new Caller(
    sheet,
    list,
    { speed, from: values.from, keepsRate: values["keep-rate"] },
    {
      send: (address, ...args) => door.send(address, ...args),
      tell,
      now: () => performance.now() / 1000,
      wait: (seconds) => setTimeout(seconds * 1000),
    },
  );
  // The program that listened is gone.
  process.stdout.on("error", () => caller.stop());
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.once(signal, () => caller.stop());
  try {
    const { missed } = await caller.call();
    return missed > 0 ? 2 : 0;
  } finally {
    door.close();
  }
}

main().then(
  (status) => (process.exitCode = status),
  (error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 1;
  },
);
