import { type RefObject, useEffect, useEffectEvent, useRef } from "react";
import { countModal } from "./dialogs.ts";

interface ModalProps {
  label: string;
  onClose: () => void;
  /** Classes of the box: its width, and its height where it has one. */
  className: string;
  /** What has the focus first; the first that can have it where this is left out. */
  initialFocus?: RefObject<HTMLElement | null>;
  children: React.ReactNode;
}

/** A dialog over the view: focus stays inside, Escape and a press beside it close it. */
export function Modal({ label, onClose, className, initialFocus, children }: ModalProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const open = useEffectEvent(() => {
    dialog.current?.showModal();
    initialFocus?.current?.focus();
  });
  useEffect(() => {
    open();
    return countModal();
  }, []);
  return (
    <dialog
      ref={dialog}
      aria-label={label}
      className="modal"
      onClose={onClose}
      onKeyDown={(event) => {
        // Some parts take Escape for themselves; here it always closes.
        if (event.key !== "Escape") return;
        event.preventDefault();
        event.stopPropagation();
        dialog.current?.close();
      }}
      onPointerDown={(event) => {
        if (event.target === event.currentTarget) dialog.current?.close();
      }}
    >
      <div className={`modal-box max-w-none border border-rule bg-base-200 p-0 ${className}`}>{children}</div>
    </dialog>
  );
}
