import { type Script, findRow } from "@zm/core";
import { chooseCue } from "../choice/selection.ts";
import { type DragHandlers, type PointerPlace, useDragged } from "../shared/useDragged.ts";
import { useList, useMakeEdits } from "../show/useShow.ts";
import { type WordPlace, useBook } from "./book.ts";
import { callEdit, callThere } from "./callWords.ts";

/** What makes a handle of an element: the cue that it drags and, where it stands in the play, the word that it stands at. */
export type CueHandle = (cue: string, at?: WordPlace) => DragHandlers;

/** Drags a cue of the list over the words of the play; where it is let go over a word it is called there. Escape drops the drag. */
export function useCueDrag(script: Script): CueHandle {
  const list = useList();
  const makeEdits = useMakeEdits();
  const land = (cue: string, place: WordPlace): void => {
    const row = findRow(list, cue);
    const there = row >= 0 ? callThere(list, script, row, place) : undefined;
    const now = list.cues[row]?.call;
    useBook.setState({ at: place, until: null });
    if (there && (now?.line !== there.line || now.word !== there.word || now.nth !== there.nth))
      void makeEdits([callEdit(list, row, there)]);
  };
  const { bind } = useDragged<string, [cue: string, at?: WordPlace]>({
    // The line that it was taken from may scroll out of sight meanwhile.
    throughWindow: true,
    onBegin: (_press, cue, at) => {
      chooseCue(cue);
      useBook.setState({ drags: { list: list.id, cue, over: null }, ...(at ? { at, until: null } : {}) });
      return cue;
    },
    onMove: (_cue, { at }) => useBook.setState(({ drags }) => ({ drags: drags && { ...drags, over: wordUnder(at) } })),
    onEnd: (cue, { at }) => {
      useBook.setState({ drags: null });
      const place = wordUnder(at);
      if (place) land(cue, place);
    },
    onDrop: () => useBook.setState({ drags: null }),
  });
  return bind;
}

/** The word of the play that is under the pointer; null where none is. */
function wordUnder({ clientX, clientY }: PointerPlace): WordPlace | null {
  const element = document.elementFromPoint(clientX, clientY)?.closest<HTMLElement>("[data-word]");
  const { line, word } = element?.dataset ?? {};
  return line === undefined || word === undefined ? null : { line, word: Number(word) };
}
