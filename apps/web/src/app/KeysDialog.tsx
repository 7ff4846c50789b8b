import { useEffect, useRef } from "react";

const KEYS: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
  [
    "Everywhere",
    [
      ["/", "to the line entry"],
      ["?", "these keys"],
      ["Ctrl Z", "take back"],
      ["Ctrl Shift Z", "make again"],
    ],
  ],
  [
    "Score",
    [
      ["arrows", "walk cues and lights"],
      ["Shift arrows", "widen the chosen block"],
      ["Page, Home, End", "further at once"],
      ["Enter", "give the chosen cells a value"],
      ["t", "tracked values on or off"],
      ["Esc", "let go of what is chosen"],
      ["double click", "write a label or a time in the spine"],
    ],
  ],
  [
    "Run",
    [
      ["Space", "Go, while the Go button has the focus"],
      ["Ctrl Enter", "Go, from anywhere in Run"],
      ["Ctrl Backspace", "back"],
      ["Ctrl .", "hold and go on"],
    ],
  ],
  [
    "Line entry",
    [
      ["5..12 = 70", "lights 5 to 12 to 70 in the chosen cues"],
      ["@sea = dusk", "a group to a palette"],
      ["#10..20: 5 + 10 only", "in cues 10 to 20, restored after"],
      ["#10..20: times * 1.2", "stretch times"],
      ["up 3 down 5", "times of the chosen cues"],
      ["#12.5", "look at a cue, blind"],
    ],
  ],
];

/** Every key, as `?` shows them. */
export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (open) dialog.current?.showModal();
    else dialog.current?.close();
  }, [open]);
  return (
    <dialog ref={dialog} className="modal" onClose={onClose} aria-label="Keys">
      <div className="modal-box max-w-3xl border border-rule bg-base-200">
        <div className="grid grid-cols-2 gap-x-8 gap-y-5">
          {KEYS.map(([where, keys]) => (
            <section key={where}>
              <h2 className="mb-1 font-bold text-primary">{where}</h2>
              <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
                {keys.map(([key, what]) => (
                  <div key={key} className="contents">
                    <dt className="figures text-[13px]">{key}</dt>
                    <dd className="text-quiet">{what}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
        <form method="dialog" className="mt-5 text-right">
          <button type="submit" className="btn btn-sm">
            Close
          </button>
        </form>
      </div>
    </dialog>
  );
}
