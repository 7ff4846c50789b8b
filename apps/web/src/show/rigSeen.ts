import type { RigSeen } from "@zm/protocol";
import { useEffect, useState } from "react";
import { create } from "zustand";
import { localNow } from "./liveStore.ts";

/** A rig that has not told of itself for so long is away; milliseconds. */
const AWAY = 3000;

/** What the simulated lights told of themselves last, and when by this window's clock. */
export const useRigSeen = create<{ readonly seen: RigSeen | null; readonly at: number }>(() => ({
  seen: null,
  at: Number.NEGATIVE_INFINITY,
}));

export function receiveRigSeen(seen: RigSeen): void {
  useRigSeen.setState({ seen, at: localNow() });
}

/** True while the simulated lights of a show tell of themselves. */
export function useRigThere(show: number): boolean {
  const told = useRigSeen(({ seen, at }) => (seen?.show === show ? at : Number.NEGATIVE_INFINITY));
  const [away, setAway] = useState(true);
  useEffect(() => {
    const left = told + AWAY - localNow();
    setAway(left <= 0);
    const timer = setTimeout(() => setAway(true), Math.max(0, left));
    return () => clearTimeout(timer);
  }, [told]);
  return !away;
}
