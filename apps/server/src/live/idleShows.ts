import { Injectable, type OnModuleDestroy, type OnModuleInit } from "@nestjs/common";
import { HandService } from "../hand/hand.service.ts";
import { RunService } from "../run/run.service.ts";
import { now } from "../shared/clock.ts";
import { ShowsService } from "../shows/shows.service.ts";
import { LiveGateway } from "./live.gateway.ts";

/** How often it is looked for shows that nobody watches, and how long nobody must have asked for one; milliseconds. */
const EVERY = 60_000;
const IDLE = 10 * 60_000;

/** Lets shows go from memory that nobody watches. One that has something in hand stays; one of which something is on goes on in the engine. */
@Injectable()
export class IdleShows implements OnModuleInit, OnModuleDestroy {
  private timer: NodeJS.Timeout | undefined;

  constructor(
    private readonly shows: ShowsService,
    private readonly runs: RunService,
    private readonly hands: HandService,
    private readonly windows: LiveGateway,
  ) {}

  onModuleInit(): void {
    this.timer = setInterval(() => void this.releaseIdle(now() - IDLE), EVERY);
    this.timer.unref();
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
  }

  /** Lets go of every show that nobody watches or has in hand, and that was asked for last before a moment. Gives their numbers. What is on stays on. */
  async releaseIdle(before: number): Promise<number[]> {
    const released = this.shows
      .inMemory()
      .filter(({ id, asked }) => asked < before && this.windows.watchers(id) === 0 && this.hands.isAtRest(id))
      .map(({ id }) => id);
    for (const id of released) {
      this.hands.release(id);
      this.shows.release(id);
    }
    // Of these nothing was read meanwhile, so the engine may let go of those of which nothing is on.
    for (const id of released) if (await this.runs.isIdle(id)) this.runs.release(id);
    return released;
  }
}
