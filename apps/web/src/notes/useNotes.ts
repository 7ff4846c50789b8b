import { type Note, notesInOrder } from "@zm/core";
import { useMemo } from "react";
import { requestName } from "../show/api.ts";
import { useMakeEdits, useMakeEditsInTurn, useShow } from "../show/useShow.ts";

/** The notes of the show in the order of its cues, and what is done with them. Each change is one edit. */
export function useNotes() {
  const { show } = useShow().sheet;
  const makeEdits = useMakeEdits();
  const makeInTurn = useMakeEditsInTurn();
  const notes = useMemo(() => notesInOrder(show), [show]);
  /** Leaves a new note; true when it is kept. Under one id it is left once, however often it is sent. */
  const leave = (note: Omit<Note, "id">, id = newNoteId()): Promise<boolean> =>
    makeInTurn(({ show: now }) => (now.notes?.some((each) => each.id === id) ? [] : [{ op: "setNote", note: { ...note, id } }]));
  /** Changes a note as it stands when the change comes to its turn. */
  const change = (id: string, fields: Partial<Note>): Promise<boolean> =>
    makeInTurn((sheet) => {
      const standing = sheet.show.notes?.find((each) => each.id === id);
      return standing ? [{ op: "setNote", note: { ...standing, ...fields } }] : [];
    });
  const remove = (ids: readonly string[]): Promise<boolean> => makeEdits(ids.map((note) => ({ op: "removeNote", note })));
  return { notes, leave, change, remove };
}

/** Two windows that leave a note at one moment leave two. */
export function newNoteId(): string {
  return `note-${requestName()}`;
}

/** When a note is left, as it is read: "1 Dec, 20:41". */
export function momentNow(): string {
  return new Date().toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });
}

/** The day of a note that was left before today and is still open: it is carried over. Undefined for any other. */
export function carriedFrom({ asked, done }: Pick<Note, "asked" | "done">): string | undefined {
  const day = asked?.split(",")[0];
  return done || day === undefined || day === momentNow().split(",")[0] ? undefined : day;
}
