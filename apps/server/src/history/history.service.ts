import { ConflictException, Injectable } from "@nestjs/common";
import { listOf } from "@zm/core";
import { Subject } from "rxjs";
import type { RunMove } from "../database/columnTypes.ts";
import type { EditEvent, HistoryState, Person, RunningReply, StepReply } from "@zm/protocol";
import { HandService } from "../hand/hand.service.ts";
import { RunService } from "../run/run.service.ts";
import { type Author, authorOf } from "../shared/author.ts";
import type { OpenShow } from "../shows/openShow.ts";
import { ShowsService } from "../shows/shows.service.ts";
import type { RunningEditsDto } from "./history.dto.ts";
import type { HistoryStep } from "../shows/history.ts";
import { expectMayTakeBack } from "./mayTakeBack.ts";

/** What concerns show, Hand and run together: undo and redo in the one order of time, and edits that belong to what is on stage. */
@Injectable()
export class HistoryService {
  /** What undo and redo would do, whenever that has changed without an edit or the Hand telling it. */
  readonly changes = new Subject<HistoryState>();

  constructor(
    private readonly shows: ShowsService,
    private readonly hands: HandService,
    private readonly runs: RunService,
  ) {}

  /**
   * Takes back the newest step, or makes again the one taken back last. `expected` is the step that the window showed: another
   * one there throws ConflictException that names it, so that nobody takes back by mistake what they have not seen. What `who` may not take back throws
   * ForbiddenException.
   */
  async step(id: number, what: "undo" | "redo", expected: string | undefined, author: Author, who: Person): Promise<StepReply> {
    await this.hands.ready(id);
    const done = await this.shows.doneBefore(id, author.request);
    if (done) return { words: done.summary, edit: done, hand: await this.hands.state(id), history: done.history };
    return this.shows.runExclusive(id, async (show) => {
      const step = (what === "undo" ? show.history.done : show.history.undone).at(-1);
      if (!step) throw new ConflictException(what === "undo" ? "There is nothing to take back" : "There is nothing to make again");
      if (expected !== undefined && expected !== step.id)
        throw new ConflictException(
          `Something has been done meanwhile: next would be "${step.words}"${what === "undo" ? "" : ", made again"}. Nothing was changed; look at it and press again.`,
        );
      expectMayTakeBack(who, step);
      const edit = await this.stepOf(show, step, what, author);
      const history = show.history.state();
      this.changes.next(history);
      return { words: step.words, edit, hand: await this.hands.state(id), history };
    });
  }

  /** Makes edits, marks what is in hand as recorded and lets the list stand in the edited look: all or nothing. */
  async editRunning(id: number, body: RunningEditsDto, who: Person): Promise<RunningReply> {
    const { base, edits, recorded, onStage = null } = body;
    const author = authorOf(body, who);
    const done = await this.shows.doneBefore(id, author.request);
    if (done) return this.replyTo(id, done, recorded);
    const list = listOf((await this.shows.show(id)).sheet, body.list).id;
    await this.runs.ready(id);
    await this.hands.ready(id);
    this.runs.expect(id, list, onStage);
    const run: RunMove = { list, before: onStage, after: body.stands === undefined ? onStage : body.stands, time: body.settleIn, recorded };
    const edit = await this.shows.edit(id, base, edits, author, {
      run,
      write: async (manager) => {
        await this.hands.writeRecorded(manager, id, recorded);
        this.runs.expect(id, list, onStage);
      },
    });
    return this.replyTo(id, edit, recorded);
  }

  /** The edit is stored; Hand and run have taken their part in it when this is answered. */
  private async replyTo(id: number, edit: EditEvent, recorded: readonly string[]): Promise<RunningReply> {
    await this.hands.recorded(id, recorded);
    await this.runs.followed(id);
    return { edit, hand: await this.hands.state(id) };
  }

  private async stepOf(show: OpenShow, step: HistoryStep, what: "undo" | "redo", author: Author): Promise<EditEvent | null> {
    if (step.of === "hand") {
      await this.hands.step(show.id, step.diff, what);
      show.history.move(what, author);
      return null;
    }
    const { event, run } = await this.shows.stepEdit(show, step, what, author);
    if (step.hand) await this.hands.step(show.id, step.hand, what);
    if (step.hand ?? run) await this.runs.followed(show.id);
    return event;
  }
}
