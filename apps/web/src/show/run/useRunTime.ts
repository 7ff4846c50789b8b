import { useEffect, useState } from "react";
import { runNow, useLive } from "../live.ts";

/** The run's own time, refreshed ten times a second; 0 while nothing is known of a run. Seconds. */
export function useRunTime(): number {
  const [time, setTime] = useState(0);
  const run = useLive((live) => live.run);
  useEffect(() => {
    const tick = (): void => {
      const { run: latest } = useLive.getState();
      if (!latest) return;
      latest.mix.advance(runNow(latest));
      setTime(latest.mix.now);
    };
    tick();
    const ticking = setInterval(tick, 100);
    return () => clearInterval(ticking);
  }, [run]);
  return time;
}
