import { useHotkeys } from "react-hotkeys-hook";
import { useHistory } from "../show/useShow.ts";

/** The keys that hold in every view. Inside a field only those with ctrl do. */
export function useFrameKeys(showKeys: () => void): void {
  const history = useHistory();
  useHotkeys("mod+z", () => void history("undo"), { preventDefault: true });
  useHotkeys("mod+shift+z, mod+y", () => void history("redo"), { preventDefault: true });
  useHotkeys("slash", () => document.getElementById("line-entry")?.focus(), { preventDefault: true });
  useHotkeys("shift+slash", showKeys, { preventDefault: true });
}
