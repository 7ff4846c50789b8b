import { type Rehearsal, type RehearsalMoment, type RehearsalWish, rehearsalMoment, rehearse, sheetOf } from "@zm/core";
import { expose } from "comlink";
import { api } from "../api.ts";

/** Rehearses beside the window, over the show as the server has it after an edit. */
const rehearsals = {
  /** Runs the whole list of a show without waiting. Throws Refusal where the server does not have that state. */
  async rehearse(show: number, revision: number, wish: RehearsalWish): Promise<Rehearsal> {
    const past = await api.pastShow(show, revision);
    return rehearse(sheetOf(past.show), wish);
  },
  /** The stage at a moment of a rehearsal. Throws Refusal where the server does not have that state. */
  async moment(show: number, revision: number, wish: RehearsalWish, at: number): Promise<RehearsalMoment> {
    const past = await api.pastShow(show, revision);
    return rehearsalMoment(sheetOf(past.show), wish, at);
  },
};

export type Rehearsals = typeof rehearsals;
expose(rehearsals);
