import { Injectable } from "@nestjs/common";
import type { ImportState } from "@zm/protocol";

const KEPT = 50;

/** Keeps how far each import is, by the name that the window gave it, so that it can show it. */
@Injectable()
export class Imports {
  private readonly states = new Map<string, ImportState>();

  set(name: string | undefined, state: ImportState): void {
    if (!name) return;
    this.states.set(name.slice(0, 64), state);
    for (const old of [...this.states.keys()].slice(0, -KEPT)) this.states.delete(old);
  }

  /** Undefined for an import that is not known, or no longer. */
  get(name: string): ImportState | undefined {
    return this.states.get(name);
  }
}
