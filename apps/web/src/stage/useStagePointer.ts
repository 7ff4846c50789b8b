import { type RefObject, useRef, useState } from "react";
import { chooseLights, toggleLights, useSelection } from "../choice/selection.ts";
import { useDropOnEscape } from "../shared/useDropOnEscape.ts";
import type { Painted } from "../picture/StagePicture.tsx";
import { isInside } from "../picture/view.ts";
import { type Press, type Spot, pressAt } from "./pressAt.ts";
import { useAim } from "./useAim.ts";

/** A press that moves less than this is a click, pixels. */
const CLICK = 4;

/** Choosing lights in the picture, by click and by a line around them, and, where the picture is live, moving where the chosen ones land. */
export function useStagePointer(painted: RefObject<Painted | null>, live: boolean) {
  const aim = useAim();
  const press = useRef<{ what: Press; from: Spot; moved: boolean } | null>(null);
  const pending = useRef(0);
  const [drawing, setDrawing] = useState(false);
  useDropOnEscape(drawing, () => {
    press.current = null;
    setDrawing(false);
    if (painted.current) painted.current = { ...painted.current, lasso: [] };
  });

  const spotOf = (event: React.PointerEvent): Spot => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const whatIsAt = (spot: Spot): Press => pressAt(painted.current, spot, live ? useSelection.getState().channels : []);
  const down = (event: React.PointerEvent<HTMLElement>): void => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const from = spotOf(event);
    press.current = { what: whatIsAt(from), from, moved: false };
    setDrawing(press.current.what.kind === "lasso");
  };
  const move = (event: React.PointerEvent<HTMLElement>): void => {
    const spot = spotOf(event);
    const now = press.current;
    if (!now) {
      const over = whatIsAt(spot).kind;
      event.currentTarget.style.cursor = over === "landing" ? "move" : over === "head" ? "pointer" : "crosshair";
      return;
    }
    if (!now.moved && Math.hypot(spot.x - now.from.x, spot.y - now.from.y) < CLICK) return;
    now.moved = true;
    if (now.what.kind === "lasso" && painted.current) painted.current = { ...painted.current, lasso: [...painted.current.lasso, spot] };
    if (now.what.kind !== "landing") return;
    const { movers, start } = now.what;
    const together = event.altKey;
    cancelAnimationFrame(pending.current);
    pending.current = requestAnimationFrame(() => {
      const view = painted.current?.view;
      if (view) aim(movers, start, view.unproject(spot.x, spot.y), together);
    });
  };
  const up = (event: React.PointerEvent<HTMLElement>): void => {
    const now = press.current;
    press.current = null;
    setDrawing(false);
    if (!now) return;
    if (now.what.kind === "head" && !now.moved) {
      if (event.shiftKey) toggleLights([now.what.channel]);
      else chooseLights([now.what.channel]);
    }
    if (now.what.kind === "lasso") endLasso(event.shiftKey, now.moved);
  };
  const endLasso = (adds: boolean, drawn: boolean): void => {
    const now = painted.current;
    if (!now) return;
    painted.current = { ...now, lasso: [] };
    if (!drawn) {
      if (!adds) chooseLights([]);
      return;
    }
    const inside = now.lights.filter((light) => isInside(now.lasso, now.view.project(light.from))).map(({ channel }) => channel);
    const old = adds ? useSelection.getState().channels : [];
    chooseLights([...old, ...inside.filter((channel) => !old.includes(channel))]);
  };
  return { onPointerDown: down, onPointerMove: move, onPointerUp: up };
}
