import { ConflictException } from "@nestjs/common";
import type { Step } from "@zm/core";
import type { EditEvent } from "@zm/protocol";
import type { EditRow } from "../database/entities.ts";
import type { Author } from "../shared/author.ts";
import type { OpenShow } from "./openShow.ts";

/** An edit of more steps than this is told without them. */
const MOST_TOLD = 5000;

/** Why an edit is not made that touches what another window has just changed. */
export function conflictAt(place: string, edit: Pick<EditEvent, "summary"> | undefined): ConflictException {
  return new ConflictException(
    `${place} has just been changed in another window (${edit?.summary ?? ""}). Nothing was changed here; look at it and make the edit again.`,
  );
}

/** Who made a stored edit. */
export function authorOfRow({ madeBy, person, request }: Pick<EditRow, "madeBy" | "person" | "request">): Author {
  return { window: madeBy, gesture: null, request, person };
}

/** A stored edit as it is told. Of one with very many steps they are left out: a window reads the show anew, which is quicker for both. */
export function eventOf(show: OpenShow, { revision, kind, summary, person, madeBy }: EditRow, steps: readonly Step[]): EditEvent {
  return {
    show: show.id,
    revision,
    kind,
    summary,
    person,
    window: madeBy,
    steps: steps.length > MOST_TOLD ? null : steps,
    history: show.history.state(),
  };
}
