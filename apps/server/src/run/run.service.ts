import { ConflictException, Injectable, InternalServerErrorException, NotFoundException, type OnModuleDestroy } from "@nestjs/common";
import { ALL_OFF_TIME, type Hand, type Press, type PressedBy } from "@zm/core";
import { type OutputSettings, type OutputState, type RunEvent, type RunState, type SentLevels, type StageState } from "@zm/protocol";
import { Subject, Subscription, skip } from "rxjs";
import { DatabaseAway } from "../shared/lost.ts";
import { Engine, type ToldEvent } from "../engine/engine.ts";
import type { Answer, EnginePace, FollowedRun, OrderBody } from "../engine/orders.ts";
import { Lease } from "../lease/lease.ts";
import { expectHosts } from "../output/hosts.ts";
import { Settings } from "../settings.ts";
import { Troubles } from "../shared/troubles.ts";
import { ShowsService, type StoredEdit } from "../shows/shows.service.ts";

/** Troubles of the engine begin so; those of files that were damaged outlive its thread, since they are not met again. */
const OF_ENGINE = "engine: ";
const DAMAGED = `${OF_ENGINE}damaged`;

/** What runs, as the server and its windows ask for it. It runs in the engine; here is known where each list stands. */
@Injectable()
export class RunService implements OnModuleDestroy {
  /** Everything that has happened to what runs. */
  readonly changes = new Subject<RunEvent>();
  /** The number of each show of which a cue has been fired. */
  readonly fired = new Subject<number>();
  /** Which show is on stage, whenever it is another; null: none. */
  readonly onStage = new Subject<number | null>();
  /** Everything of a show has been let go of, in so many seconds. */
  readonly allOff = new Subject<{ readonly show: number; readonly seconds: number }>();
  /** What is in hand of a show, whenever it is something else. */
  readonly held = new Subject<{ readonly show: number; readonly hand: Hand }>();
  /** Levels leave otherwise from now on. */
  readonly outputChanged = new Subject<void>();
  /** The engine is another, which knows nothing but what is written down. */
  readonly restarted = new Subject<void>();
  /** Resolves when whoever could take over knows of all that has happened. Set by whoever looks after them. */
  confirm: () => Promise<void> = () => Promise.resolve();
  /** Throws where nothing may be pressed here now. Set by whoever hands the lead over. */
  expectLead: () => void = () => undefined;
  private readonly engine: Engine;
  private readonly subscriptions = new Subscription();
  /** By show: where each of its lists stands, as the newest event said. */
  private readonly standing = new Map<number, Readonly<Record<string, string | null>>>();

  /** By show: what the engine is still doing with the newest edit. */
  private readonly following = new Map<number, Promise<unknown>>();

  constructor(
    private readonly shows: ShowsService,
    troubles: Troubles,
    lease: Lease,
    settings: Settings,
  ) {
    const { database, runs, output, engineHere } = settings;
    this.engine = new Engine({ database, runs, output, role: lease.role.value, deadline: lease.deadline }, engineHere);
    this.subscriptions.add(lease.role.pipe(skip(1)).subscribe((role) => this.engine.setRole(role)));
    this.subscriptions.add(this.engine.events.subscribe((event) => this.hear(event)));
    this.subscriptions.add(this.engine.onStage.subscribe((show) => this.onStage.next(show)));
    this.subscriptions.add(this.engine.troubles.subscribe(({ id, words }) => troubles.set(`${OF_ENGINE}${id}`, words)));
    this.subscriptions.add(
      this.engine.restarted.subscribe(() => {
        this.restarted.next();
        troubles.clear((id) => id.startsWith(OF_ENGINE) && !id.startsWith(DAMAGED));
        // What runs of shows that are in memory here goes on although the database may be away.
        for (const show of this.standing.keys()) void this.state(show).catch(() => undefined);
      }),
    );
    this.subscriptions.add(this.shows.changes.subscribe((edit) => this.takeEdit(edit)));
    this.subscriptions.add(this.shows.removed.subscribe((show) => this.engine.tell({ kind: "release", show, removed: true })));
    this.shows.mayRemove = (show) => this.refuseOnStage(show);
  }

  async onModuleDestroy(): Promise<void> {
    this.subscriptions.unsubscribe();
    await this.engine.end();
  }

  /** All that runs of a show. */
  async state(show: number): Promise<RunState> {
    const { state } = await this.ask({ kind: "state", show });
    if (!state) throw new NotFoundException(`Nothing runs of show ${show}`);
    this.standing.set(show, Object.fromEntries(Object.entries(state.mix.lists).map(([id, { cue }]) => [id, cue])));
    return state;
  }

  /** Presses something. Throws ConflictException when it cannot be done as things stand, ShowError for what there is not; then nothing has happened. */
  async press(show: number, press: Press, from: PressedBy = { by: "window", who: "" }): Promise<RunEvent> {
    this.expectLead();
    const { event } = await this.ask({ kind: "press", show, press, from });
    if (!event) throw new NotFoundException(`Nothing runs of show ${show}`);
    await this.confirm();
    if (press.press === "allOff") this.allOff.next({ show, seconds: press.time ?? ALL_OFF_TIME });
    return event;
  }

  /** Makes sure that it is known where the lists of a show stand, so that what follows needs no question. */
  async ready(show: number): Promise<void> {
    if (!this.standing.has(show)) await this.state(show);
  }

  /** Throws ConflictException when a list no longer stands in the cue that a window saw on stage. Only once it is `ready`. */
  expect(show: number, list: string, cue: string | null): void {
    const stands = this.standing.get(show)?.[list] ?? null;
    if (stands !== cue)
      throw new ConflictException(
        `The list has gone on to cue ${stands ?? "none"} meanwhile, and this was meant for ${cue === null ? "the stage before the first cue" : `cue ${cue}`}. Nothing was changed; look at it and do it again.`,
      );
  }

  /** Resolves when the engine has taken in all edits of a show so far, with where they leave a running list. */
  async followed(show: number): Promise<void> {
    await this.following.get(show);
  }

  /** Which show is on stage, how it is called, and how many of its lights are lit. */
  async stage(put?: number | null): Promise<StageState> {
    if (typeof put === "number") await this.shows.show(put);
    const { stage } = await this.engine.ask({ kind: "stage", show: 0, ...(put === undefined ? {} : { put }) });
    if (!stage) throw new InternalServerErrorException("The engine said nothing of the stage");
    const title = stage.show === null ? "" : await this.shows.titleOf(stage.show);
    return { ...stage, title };
  }

  /** How punctual the engine's frames have been since this was last asked; throws where it does not answer. */
  async pace(): Promise<EnginePace> {
    const { pace } = await this.engine.ask({ kind: "pace", show: 0 });
    if (!pace) throw new InternalServerErrorException("The engine said nothing of its frames");
    return pace;
  }

  /** Tells the engine what is in hand, for what goes out to lights. */
  hold(show: number, hand: Hand): void {
    this.engine.tell({ kind: "hand", show, hand });
    this.held.next({ show, hand });
  }

  /** How levels leave for the lights. */
  async output(): Promise<OutputState> {
    return outputOf(await this.engine.ask({ kind: "output", show: 0 }));
  }

  /** Lets levels leave for the lights so from now on. Throws ShowError for a host that cannot be found; then nothing has changed. */
  async setOutput(settings: OutputSettings): Promise<OutputState> {
    await expectHosts([settings.address, ...Object.values(settings.universes)]);
    const output = outputOf(await this.engine.ask({ kind: "output", show: 0, settings }));
    this.outputChanged.next();
    return output;
  }

  /** What was sent to the lights last. */
  async sentLevels(): Promise<SentLevels> {
    return (await this.engine.ask({ kind: "sent", show: 0 })).sent ?? { show: null, universes: {} };
  }

  /** True when nothing of a show is on: no list stands in a cue, no look is up, nothing moves. */
  async isIdle(show: number): Promise<boolean> {
    return (await this.ask({ kind: "isIdle", show })).idle ?? true;
  }

  /** Lets go of the memory of what runs of a show. */
  release(show: number): void {
    this.standing.delete(show);
    this.engine.tell({ kind: "release", show, removed: false });
  }

  /** Everything that happens to what runs, with the bumps that are pressed then; for spares. */
  get told(): Subject<ToldEvent> {
    return this.engine.told;
  }

  /** The number of each show that begins to run here. */
  get opened(): Subject<number> {
    return this.engine.opened;
  }

  /** All that runs of every show, for a spare. */
  async running(): Promise<readonly FollowedRun[]> {
    return (await this.engine.ask({ kind: "running", show: 0 })).running ?? [];
  }

  /** A server that follows tells its engine what happens at the one that leads. True where it has lost its place. */
  async follow(order: OrderBody): Promise<boolean> {
    return (await this.engine.ask(order)).isLost ?? false;
  }

  /** Which show the server that leads has on stage. */
  async followStage(put: number | null): Promise<void> {
    await this.engine.ask({ kind: "stage", show: 0, put });
  }

  /** Asks the engine; where the database is away and the show is in memory here, the engine gets it from here. */
  private async ask(order: OrderBody): Promise<Answer> {
    try {
      return await this.engine.ask(order);
    } catch (error) {
      const sheet = this.shows.openSheet(order.show);
      if (!(error instanceof DatabaseAway) || !sheet) throw error;
      await this.engine.openWith(order.show, { show: sheet.show, revision: this.shows.revisionOf(order.show) });
      return await this.engine.ask(order);
    }
  }

  private hear(event: RunEvent): void {
    this.standing.set(event.show, event.cues);
    this.changes.next(event);
    if (event.fired.length > 0) this.fired.next(event.show);
  }

  private takeEdit({ event: { show, revision }, steps, pieces, run }: StoredEdit): void {
    const taken = this.engine
      .ask({ kind: "edit", show, revision, steps: pieces.length > 0 ? [] : steps, pieces, run })
      .catch(() => undefined);
    this.following.set(show, taken);
  }

  private async refuseOnStage(show: number): Promise<void> {
    const { stage } = await this.engine.ask({ kind: "stage", show: 0 });
    if (stage?.show !== show) return;
    throw new ConflictException(
      "This show is on stage, so it is not removed. Put another show on stage in Run, or take this one off it, and remove it then.",
    );
  }
}

function outputOf({ output }: Answer): OutputState {
  if (!output) throw new InternalServerErrorException("The engine said nothing of its output");
  return output;
}
