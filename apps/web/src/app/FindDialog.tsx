import { type ScriptLine, findCues, phrasePlaces } from "@zm/core";
import { Command } from "cmdk";
import { useMemo, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { useBook } from "../book/book.ts";
import { dropDraft } from "../choice/draft.ts";
import { useGoToCue } from "../show/useGoToCue.ts";
import { useList, useShow } from "../show/useShow.ts";
import { openAsk } from "../shared/dialogs.ts";
import { Modal } from "../shared/Modal.tsx";

const MOST = 80;
/** Shorter pieces of words are found too often in a play to be of use. */
const LEAST_LETTERS = 3;
const MOST_LINES = 12;

/** Finds cues by number, label, scene and note, and lines of the play, from any view; what is taken is brought in sight. */
export function FindDialog({ words, onClose }: { words: string; onClose: () => void }) {
  const { id, sheet } = useShow();
  const navigate = useNavigate();
  const list = useList();
  const goTo = useGoToCue();
  const [text, setText] = useState(words);
  const input = useRef<HTMLInputElement>(null);
  const found = useMemo(() => findCues(sheet, text, list), [sheet, text, list]);
  const { script } = sheet.show;
  const said = useMemo(
    () => (script && text.trim().length >= LEAST_LETTERS ? phrasePlaces(script, text).slice(0, MOST_LINES) : []),
    [script, text],
  );
  const read = (line: ScriptLine, word: number): void => {
    onClose();
    useBook.setState({ at: { line: line.id, word }, until: null });
    void navigate(`/show/${id}/book`);
  };
  const take = (listId: string, cue: string): void => {
    onClose();
    goTo(listId, cue);
    dropDraft();
  };
  return (
    <Modal label="Find a cue" onClose={onClose} initialFocus={input} className="w-[40rem]">
      <Command shouldFilter={false} loop label="Find a cue" className="flex max-h-[30rem] flex-col">
        <Command.Input
          ref={input}
          value={text}
          onValueChange={setText}
          placeholder="a number, or words of a label, a scene, a note or the play"
          className="h-11 w-full border-b border-rule bg-transparent px-4 text-[15px] outline-none placeholder:text-quiet"
        />
        <Command.List className="min-h-0 flex-1 overflow-y-auto p-2">
          {text.trim() !== "" && found.length === 0 && said.length === 0 && (
            <p className="px-2 py-3 text-quiet">No cue and no line has "{text.trim()}" in it.</p>
          )}
          {text.trim() === "" && <p className="px-2 py-3 text-quiet">Type what you look for. Enter goes there.</p>}
          {text.trim() === "" && (
            <button
              type="button"
              className="btn btn-sm mx-2 border-neutral font-normal"
              onClick={() => {
                onClose();
                openAsk();
              }}
            >
              Or ask which cues show a value, hold a time, or use a light or a palette (h)
            </button>
          )}
          {found.slice(0, MOST).map(({ list: listId, cue, where }) => (
            <Command.Item
              key={`${listId}/${cue.number}`}
              value={`${listId}/${cue.number}`}
              onSelect={() => take(listId, cue.number)}
              className="flex min-h-8 items-center gap-3 rounded px-2 py-1 data-[selected=true]:bg-base-300"
            >
              <span className="figures w-14 shrink-0 text-right">{cue.number}</span>
              <span className="min-w-0 flex-1 truncate">
                {cue.label}
                {where === "note" && <span className="text-quiet"> {cue.note}</span>}
              </span>
              {cue.scene && <span className="text-[13px] text-quiet">{cue.scene}</span>}
              {listId !== list.id && <span className="text-[13px] text-quiet">{sheet.lists.get(listId)?.list.label}</span>}
            </Command.Item>
          ))}
          {said.map(({ line, word }) => (
            <Command.Item
              key={`${line.id}/${word}`}
              value={`line ${line.id} ${word}`}
              onSelect={() => read(line, word)}
              className="flex min-h-8 items-center gap-3 rounded px-2 py-1 data-[selected=true]:bg-base-300"
            >
              <span className="w-14 shrink-0 truncate text-right text-[13px] text-quiet">{line.who ?? "direction"}</span>
              <span className="font-script min-w-0 flex-1 truncate">{line.text}</span>
              <span className="text-[13px] text-quiet">{line.page === undefined ? line.id : `page ${line.page}`}</span>
            </Command.Item>
          ))}
          {found.length > MOST && <p className="px-2 py-1 text-quiet">and {found.length - MOST} more; more letters find fewer</p>}
        </Command.List>
      </Command>
    </Modal>
  );
}
