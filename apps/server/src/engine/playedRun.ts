import { type Mix, type Overlay, overlayAt } from "@zm/core";
import { now } from "../shared/clock.ts";

/** A run of a show as it plays: by its own clock, what every key puts out now, whoever runs it. */
export abstract class PlayedRun {
  protected abstract mix: Mix;
  /** Milliseconds of the server's clock at which the run's clock read 0. */
  protected abstract origin: number;

  /** The run's own time now. Seconds. */
  protected get time(): number {
    return Math.max(this.mix.now, (now() - this.origin) / 1000);
  }

  /** Writes what every key puts out now into `into`. */
  frame(into: Float64Array): void {
    this.mix.frame(this.time, into);
  }

  /** What a key puts out without its waves, in the frame written last. */
  readonly withoutWaves = (ordinal: number): number => this.mix.withoutWaves(ordinal);

  /** The beats a minute of each tempo as it goes now. */
  get tempos(): ReadonlyMap<string, number> {
    return this.mix.tempos;
  }

  /** What lies over everything that comes out now. */
  get overlay(): Overlay {
    return overlayAt(this.mix, this.time);
  }
}
