import type { ReactNode } from "react";

interface SettingSwitchProps {
  /** The settings as they hold; undefined while they are not known, when nothing can be switched. */
  state: { readonly on: boolean } | undefined;
  onSwitch: (on: boolean) => void;
  children: ReactNode;
}

/** Switches something of the server on and off. */
export function SettingSwitch({ state, onSwitch, children }: SettingSwitchProps) {
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="toggle toggle-sm"
        checked={state?.on ?? false}
        disabled={!state}
        onChange={(event) => onSwitch(event.target.checked)}
      />
      {children}
    </label>
  );
}
