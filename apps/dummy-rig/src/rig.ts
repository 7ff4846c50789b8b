import {
  type OutputLayout,
  type Show,
  type ShowSheet,
  type SimulatedRig,
  moveRig,
  outputLayout,
  readLevels,
  sheetOf,
  simulatedRig,
} from "@zm/core";

/** The simulated lights of a show: what each is told, and where it is. */
export class DummyRig {
  private readonly sheet: ShowSheet;
  private readonly layout: OutputLayout;
  private readonly lights: SimulatedRig;

  constructor(show: Show) {
    this.sheet = sheetOf(show);
    this.layout = outputLayout(show, this.sheet.keys);
    this.lights = simulatedRig(this.sheet.keys);
  }

  /** Takes the levels of a universe. */
  tell(universe: number, levels: Uint8Array): void {
    readLevels(this.layout, universe, levels, this.lights.target);
  }

  /** Lets the lights move for so many seconds. True where one is not yet where it was told to be. */
  move(seconds: number): boolean {
    return moveRig(this.lights, seconds);
  }

  /** Lets lights stand where they stood in another state of the rig; those that are new are where they are told to be. */
  standAs(before: Readonly<Record<string, number>>): void {
    for (const { name, ordinal } of this.sheet.keys.all) this.lights.actual[ordinal] = before[name] ?? this.lights.target[ordinal] ?? 0;
  }

  /** By key name, where each is. */
  seen(): Record<string, number> {
    return this.named(this.lights.actual);
  }

  /** By key name, what each is told. */
  told(): Record<string, number> {
    return this.named(this.lights.target);
  }

  private named(values: Float64Array): Record<string, number> {
    return Object.fromEntries(this.sheet.keys.all.map(({ name, ordinal }) => [name, Math.round((values[ordinal] ?? 0) * 100) / 100]));
  }
}
