// What a fault script asks of servers while they fail: presses, edits and OSC, each asked for again under its name until it is answered, at whichever server answers.
import { setTimeout as sleep } from "node:timers/promises";

/* global AbortSignal */

const HEADERS = { "Content-Type": "application/json", "X-Requested-With": "zealous-mark" };
/** So long an answer is waited for before another server is asked; milliseconds. */
const PATIENCE = 4000;

/** A show of so many cues that are pressed one by one, with a light that never stands still. */
export function pressedShow(cues) {
  const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
  const channels = Array.from({ length: 24 }, (_, index) => ({
    number: index + 1,
    type: "lamp",
    label: "",
    patch: { universe: 1, address: index + 1 },
  }));
  const list = Array.from({ length: cues }, (_, index) => ({
    number: String(index + 1),
    label: `Cue ${index + 1}`,
    trigger: { type: "go" },
    parts: [
      {
        number: 1,
        times: { up: 0.4 },
        moves: { [(index % 23) + 1]: { intensity: 20 + (index % 60) } },
        ...(index === 0 ? { waves: { 24: { intensity: { shape: "sine", size: 30, period: 2, phase: 0 } } } } : {}),
      },
    ],
  }));
  list[0].parts[0].moves[24] = { intensity: 50 };
  return {
    format: "zealous-mark/show",
    version: 2,
    title: "Faults",
    fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [intensity] }],
    channels,
    lists: [{ id: "main", label: "Main", cues: list }],
  };
}

/** Asks servers: the one that answered last first, the others where it does not. */
export class Client {
  constructor(addresses, cookie = undefined) {
    this.addresses = [...addresses];
    this.cookie = cookie;
  }

  headers(type = "application/json") {
    return { ...HEADERS, "Content-Type": type, ...(this.cookie === undefined ? {} : { Cookie: this.cookie }) };
  }

  async once(address, method, path, body, type) {
    const sent = body === undefined ? {} : { body: typeof body === "string" ? body : JSON.stringify(body) };
    const response = await fetch(`${address}${path}`, {
      method,
      headers: this.headers(type),
      signal: AbortSignal.timeout(PATIENCE),
      ...sent,
    });
    return { status: response.status, body: await response.json().catch(() => null), headers: response.headers };
  }

  /** Asks until somebody answers; what is refused for good (4xx) comes back as it is. */
  async ask(method, path, body, isOver = () => false) {
    for (;;) {
      for (const address of [...this.addresses]) {
        const answer = await this.once(address, method, path, body).catch(() => null);
        if (answer && answer.status < 500) {
          this.addresses = [address, ...this.addresses.filter((other) => other !== address)];
          return answer;
        }
      }
      if (isOver()) return null;
      await sleep(30);
    }
  }
}

/** Presses Go on the main list until told to end, each press under its own name. Counts what was answered. */
export async function pressGo(client, show, run) {
  for (let count = 0; !run.isOver; count += 1) {
    const answer = await client.ask("POST", `/api/shows/${show}/run`, { press: "go", id: `${run.name}-${count}` });
    if (answer.status === 200) run.pressed += 1;
    else run.pressesRefused.push(answer.body?.message ?? String(answer.status));
    await sleep(100 + Math.random() * 250);
  }
}

/** Writes labels into cues until told to end, each edit under its own name. Remembers what was answered. */
export async function editLabels(client, show, run, cues) {
  let base = 0;
  for (let count = 0; !run.isOver; count += 1) {
    const cue = String((count % cues) + 1);
    const label = `${run.name} ${count}`;
    const edit = {
      base,
      edits: [{ op: "setCue", from: cue, to: cue, label }],
      request: `${run.name}-edit-${count}`,
      gesture: null,
      window: run.name,
    };
    const answer = await client.ask("POST", `/api/shows/${show}/edits`, edit);
    if (answer.status === 200) {
      base = answer.body.revision;
      run.labels.set(cue, label);
      run.edits += 1;
    } else {
      run.refused.push(answer.body?.message ?? String(answer.status));
      // What was meant for an older show is thought out anew.
      base = (await client.ask("GET", `/api/shows/${show}`)).body?.revision ?? base;
    }
    await sleep(40 + Math.random() * 120);
  }
}
