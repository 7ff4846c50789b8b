import { Injectable, type OnModuleDestroy, type OnModuleInit } from "@nestjs/common";
import { HandService } from "../hand/hand.service.ts";
import { RunService } from "../run/run.service.ts";
import { now } from "../shared/clock.ts";
import { ShowsService } from "../shows/shows.service.ts";
import { LiveGateway } from "./live.gateway.ts";

/** How often it is looked for shows that nobody watches, and how long nobody must have asked for one; milliseconds. */
const EVERY = 60_000;
const IDLE = 10 * 60_000;

/** Lets shows go from memory that nobody watches: one whose list is still moving, or that has something in hand, stays. */
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
    this.timer = setInterval(() => this.releaseIdle(now() - IDLE), EVERY);
    this.timer.unref();
  }

  onModuleDestroy(): void {
    clearInterval(this.timer);
  }

  /** Lets go of every show that nobody watches and that was asked for last before a moment. Gives their numbers. */
  releaseIdle(before: number): number[] {
    const idle = this.shows.inMemory().filter(({ id, asked }) => asked < before && this.windows.watchers(id) === 0);
    const atRest = idle.map(({ id }) => id).filter((id) => this.runs.isAtRest(id) && this.hands.isAtRest(id));
    for (const id of atRest) {
      this.runs.release(id);
      this.hands.release(id);
      this.shows.release(id);
    }
    return atRest;
  }
}
