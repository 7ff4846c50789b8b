import type { RefCallback } from "react";

interface ToggleProps {
  pressed: boolean;
  onClick: () => void;
  disabled?: boolean;
  title?: string | undefined;
  focusRef?: RefCallback<HTMLElement> | undefined;
  children: React.ReactNode;
}

/** A small button that stays pressed while what it says holds. */
export function Toggle({ pressed, onClick, disabled = false, title, focusRef, children }: ToggleProps) {
  return (
    <button
      type="button"
      ref={focusRef}
      title={title}
      disabled={disabled}
      aria-pressed={pressed}
      className="btn btn-xs gap-1.5 border-neutral aria-pressed:border-secondary aria-pressed:text-secondary"
      onClick={onClick}
    >
      {children}
    </button>
  );
}
