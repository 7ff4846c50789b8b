import { useRef, useState } from "react";

interface ActionButtonProps extends Omit<React.ButtonHTMLAttributes<HTMLButtonElement>, "onClick" | "type"> {
  /** What a press does. One press does it once: while it is under way, and within a double click, further presses do nothing. */
  onAct: () => unknown;
}

/** A button that makes an edit: one gesture, one edit, however slow the server is and however often it is pressed. */
export function ActionButton({ onAct, children, ...rest }: ActionButtonProps) {
  const [act, busy] = useOnce(onAct);
  return (
    <button
      type="button"
      aria-busy={busy}
      {...rest}
      onClick={(event) => {
        if (event.detail <= 1) act();
      }}
    >
      {children}
    </button>
  );
}

/** Work that is not begun again while it is under way, and whether it is. */
export function useOnce(work: () => unknown): [act: () => void, busy: boolean] {
  const running = useRef(false);
  const [busy, setBusy] = useState(false);
  const act = (): void => {
    if (running.current) return;
    running.current = true;
    setBusy(true);
    void Promise.resolve()
      .then(work)
      .finally(() => {
        running.current = false;
        setBusy(false);
      });
  };
  return [act, busy];
}
