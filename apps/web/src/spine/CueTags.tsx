import { type Cue, actionWords, cached, openNotesByCue } from "@zm/core";
import { openNotes } from "../shared/dialogs.ts";
import { ListVideo, MessageCircle, NotebookPen, Split, SquareStop } from "lucide-react";
import { useSheetView } from "../choice/sheetView.ts";
import { useLive } from "../show/live.ts";
import { useShow } from "../show/useShow.ts";
import { foldName } from "./lines.ts";
import { toggleParts } from "./useSheetLines.ts";

/** Beside a label: the parts of a cue, what it does besides its moves, and its note. */
export function CueTags({ list, cue }: { list: string; cue: Cue }) {
  const open = useSheetView(({ openCues }) => openCues.has(foldName(list, cue.number)));
  return (
    <>
      {cue.parts.length > 1 && (
        <button
          type="button"
          aria-expanded={open}
          title={`${cue.parts.length} parts; show them under the cue, or put them away (p)`}
          className="flex h-7 shrink-0 items-center"
          onPointerDown={(event) => event.stopPropagation()}
          onClick={() => toggleParts(list, cue.number)}
        >
          <Tag>
            <Split aria-label="parts" size={10} className="mr-0.5 inline" />
            {cue.parts.length}
          </Tag>
        </button>
      )}
      <ActionTag cue={cue} />
      <NoteTag cue={cue} />
      <AskedTag list={list} cue={cue.number} />
    </>
  );
}

/** That a cue waits in the standby set: it goes together with what is chosen on other lists. Seen in every spine. */
export function SetTag({ list, cue }: { list: string; cue: string }) {
  const waits = useLive((live) => live.run?.mix.standby.some((each) => each.list === list && each.cue === cue) ?? false);
  if (!waits) return null;
  return (
    <span
      title="In the standby set: it goes together with the others that are chosen (s takes it out)"
      className="shrink-0 rounded border border-dashed border-secondary px-1 text-[13px] leading-4 font-normal text-secondary"
    >
      set
    </span>
  );
}

/** What a cue carries on, where that is not all of it: seen in every spine. */
export function CarriesTag({ cue }: { cue: Cue }) {
  if (cue.carries === "cueOnly") return <Tag title="Its moves stay inside this cue">only</Tag>;
  return cue.carries === "isolated" ? <Tag title="Nothing tracks in or out">isolated</Tag> : null;
}

/** That somebody has left a note for the cue, and what it says. */
function NoteTag({ cue: { note } }: { cue: Cue }) {
  if (note === undefined) return null;
  return (
    <Tag title={`Note: ${note}`}>
      <span className="sr-only">note: {note}</span>
      <NotebookPen aria-hidden size={11} className="inline" />
    </Tag>
  );
}

/** How many notes of those who look on are open in the cue, and what they say. */
function AskedTag({ list, cue }: { list: string; cue: string }) {
  const { sheet } = useShow();
  const open = notesByCue(sheet.show).get(`${list}/${cue}`);
  if (!open) return null;
  const words = open.map(({ text }) => text).join("; ");
  return (
    <button
      type="button"
      className="flex h-7 shrink-0 items-center"
      title={`Asked by those who look on: ${words}`}
      onPointerDown={(event) => event.stopPropagation()}
      onClick={openNotes}
    >
      <Tag>
        <MessageCircle aria-hidden size={11} className="mr-0.5 inline text-primary" />
        <span className="sr-only">asked: {words}</span>
        {open.length}
      </Tag>
    </button>
  );
}

/** Looked up once for each state of the show. */
const notesByCue = cached(openNotesByCue);

/** What a cue does besides its moves: a triangle where it starts or raises something, a bar where it only lets go. */
function ActionTag({ cue }: { cue: Cue }) {
  const { sheet } = useShow();
  const actions = cue.actions ?? [];
  if (actions.length === 0) return null;
  const words = actions.map((action) => actionWords(action, sheet)).join(", ");
  const ends = actions.every((action) => action.do === "release" || (action.do === "look" && action.level === 0));
  return (
    <Tag title={`Also: ${words}`}>
      <span className="sr-only">also: {words}</span>
      {ends ? <SquareStop aria-hidden size={11} className="inline" /> : <ListVideo aria-hidden size={11} className="inline" />}
    </Tag>
  );
}

/** A small word or sign in a frame beside a label. */
export function Tag({ title, children }: { title?: string; children: React.ReactNode }) {
  return (
    <span title={title} className="shrink-0 rounded border border-neutral px-1 text-[13px] leading-4 font-normal text-quiet">
      {children}
    </span>
  );
}
