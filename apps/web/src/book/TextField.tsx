import { defaultKeymap, history, historyKeymap } from "@codemirror/commands";
import { EditorState, RangeSet, StateField } from "@codemirror/state";
import { EditorView, GutterMarker, gutter, keymap, placeholder as placeholderText } from "@codemirror/view";
import { useEffect, useEffectEvent, useRef } from "react";

interface TextFieldProps {
  label: string;
  placeholder: string;
  value: string;
  /** The paragraph at which the writing begins, counted from 0. */
  at: number;
  /** Cues that stand at paragraphs when the writing begins; they go with their text. */
  cues: readonly { readonly cue: string; readonly line: number }[];
  onChange: (text: string) => void;
  onMake: () => void;
  onLeave: () => void;
}

/** The cues of a paragraph, in the margin beside it. */
class CueMarker extends GutterMarker {
  constructor(readonly cues: string) {
    super();
  }
  override eq(other: CueMarker): boolean {
    return other.cues === this.cues;
  }
  override toDOM(): Node {
    const tag = document.createElement("span");
    tag.className = "figures rounded bg-base-300 px-1.5 font-bold";
    tag.textContent = this.cues;
    return tag;
  }
}

/** A field for long text with undo of its own; cues stand beside the paragraphs that they belong to and move with them. */
export function TextField({ label, placeholder, value, at, cues, onChange, onMake, onLeave }: TextFieldProps) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const change = useEffectEvent(onChange);
  const make = useEffectEvent(onMake);
  const leave = useEffectEvent(onLeave);
  const begin = useEffectEvent((parent: HTMLElement) => {
    const markers = StateField.define<RangeSet<CueMarker>>({
      create: ({ doc }) => {
        const starts = paragraphStarts(doc.toString());
        const byLine = new Map<number, string[]>();
        for (const { cue, line } of cues) byLine.set(line, [...(byLine.get(line) ?? []), cue]);
        return RangeSet.of(
          [...byLine].flatMap(([line, own]) => {
            const start = starts[line];
            return start === undefined ? [] : [new CueMarker(own.join(" ")).range(start)];
          }),
          true,
        );
      },
      update: (set, transaction) => set.map(transaction.changes),
    });
    const editor = new EditorView({
      parent,
      state: EditorState.create({
        doc: value,
        selection: { anchor: Math.min(value.length, paragraphStarts(value)[at] ?? 0) },
        extensions: [
          history(),
          keymap.of([
            { key: "Mod-Enter", run: () => (make(), true) },
            { key: "Escape", run: () => (leave(), true) },
            ...defaultKeymap,
            ...historyKeymap,
          ]),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ "aria-label": label, spellcheck: "true", tabindex: "0" }),
          placeholderText(placeholder),
          markers,
          gutter({ class: "book-cues", markers: (each) => each.state.field(markers) }),
          EditorView.updateListener.of((update) => {
            if (update.docChanged) change(update.state.doc.toString());
          }),
          look,
        ],
      }),
    });
    editor.focus();
    editor.dispatch({ effects: EditorView.scrollIntoView(editor.state.selection.main.head, { y: "center" }) });
    return editor;
  });
  useEffect(() => {
    if (!place.current) return;
    const editor = begin(place.current);
    view.current = editor;
    return () => editor.destroy();
  }, []);
  useEffect(() => {
    const editor = view.current;
    if (!editor || editor.state.doc.toString() === value) return;
    // A file was opened in place of what was there.
    editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: value } });
  }, [value]);
  return <div ref={place} role="group" aria-label={`${label}, editor`} className="min-h-0 flex-1 overflow-hidden" />;
}

/** Where each paragraph begins: those that empty lines part. */
function paragraphStarts(text: string): number[] {
  return [...text.matchAll(/(?:^|\n\s*\n)(?=\S)/g)].map((match) => match.index + match[0].length);
}

const look = EditorView.theme({
  "&": { height: "100%", fontSize: "17px" },
  "&.cm-focused": { outline: "none" },
  ".cm-scroller": { fontFamily: "var(--font-script)", lineHeight: "1.65", overflow: "auto" },
  ".cm-content": { padding: "16px 24px 60px 8px", maxWidth: "720px", caretColor: "var(--color-secondary)" },
  ".cm-cursor": { borderLeftColor: "var(--color-secondary)", borderLeftWidth: "2px" },
  ".cm-gutters": { background: "transparent", border: "none", color: "var(--color-quiet)", minWidth: "96px", fontSize: "14px" },
  ".book-cues": { minWidth: "96px" },
  ".book-cues .cm-gutterElement": { textAlign: "right", paddingRight: "8px" },
  ".cm-selectionBackground, &.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground": {
    background: "var(--color-chosen)",
  },
  ".cm-placeholder": { color: "var(--color-quiet)" },
});
