import { type RefObject, useRef } from "react";
import { chooseLights, toggleLights, useSelection } from "../choice/selection.ts";
import type { Painted } from "../picture/StagePicture.tsx";
import { isInside } from "../picture/view.ts";
import { type PointerPlace, useDragged } from "../shared/useDragged.ts";
import { type Press, type Spot, pressAt } from "./pressAt.ts";
import { useAim, useAimFixed } from "./useAim.ts";

/** A press that moves less than this is a click, pixels. */
const CLICK = 4;

/** Choosing lights in the picture, by click and by a line around them, and, where the picture is live, moving where the chosen ones land. */
export function useStagePointer(painted: RefObject<Painted | null>, live: boolean) {
  const aim = useAim();
  const aimFixed = useAimFixed();
  const pending = useRef(0);
  const whatIsAt = (spot: Spot): Press => pressAt(painted.current, spot, live ? useSelection.getState().channels : []);
  const setLasso = (lasso: Painted["lasso"]): void => {
    if (painted.current) painted.current = { ...painted.current, lasso };
  };
  const aimAt = ({ movers, start }: Extract<Press, { kind: "landing" }>, spot: Spot, together: boolean): void => {
    cancelAnimationFrame(pending.current);
    pending.current = requestAnimationFrame(() => {
      const view = painted.current?.view;
      if (view) aim(movers, start, view.unproject(spot.x, spot.y), together);
    });
  };
  /** The way that a fixed light would look, while its ring is dragged. */
  const drawAim = (channel: number, spot: Spot): void => {
    const now = painted.current;
    const light = now?.lights.find((each) => each.channel === channel);
    if (now && light) setLasso([now.view.project(light.from), spot]);
  };
  const endLasso = (adds: boolean, drawn: boolean): void => {
    const now = painted.current;
    if (!now) return;
    setLasso([]);
    if (!drawn) {
      if (!adds) chooseLights([]);
      return;
    }
    const inside = now.lights.filter((light) => isInside(now.lasso, now.view.project(light.from))).map(({ channel }) => channel);
    const old = adds ? useSelection.getState().channels : [];
    chooseLights([...old, ...inside.filter((channel) => !old.includes(channel))]);
  };
  const { bind, dragging } = useDragged<Press>({
    slip: CLICK,
    onBegin: ({ at, target }) => whatIsAt(spotIn(target, at)),
    onMove: (what, { at, altKey, target }) => {
      const spot = spotIn(target, at);
      if (what.kind === "lasso") setLasso([...(painted.current?.lasso ?? []), spot]);
      if (what.kind === "landing") aimAt(what, spot, altKey);
      if (what.kind === "aim") drawAim(what.channel, spot);
    },
    onEnd: (what, { moved, shiftKey, at, target, altKey }) => {
      if (what.kind === "lasso") endLasso(shiftKey, moved);
      if (what.kind === "aim") {
        setLasso([]);
        const to = painted.current?.view.unproject(...spotOf(spotIn(target, at)));
        if (moved && to) aimFixed(what.channel, to, altKey);
        else if (!moved) chooseLights([what.channel]);
      }
      if (what.kind !== "head" || moved) return;
      if (shiftKey) toggleLights([what.channel]);
      else chooseLights([what.channel]);
    },
    onDrop: () => setLasso([]),
  });
  const handlers = bind();
  const onPointerMove = (event: React.PointerEvent<HTMLElement>): void => {
    handlers.onPointerMove?.(event);
    if (dragging) return;
    const over = whatIsAt(spotIn(event.currentTarget, event)).kind;
    event.currentTarget.style.cursor = over === "landing" || over === "aim" ? "move" : over === "head" ? "pointer" : "crosshair";
  };
  return { ...handlers, onPointerMove };
}

function spotOf({ x, y }: Spot): [number, number] {
  return [x, y];
}

/** A place of the window as one of an element, pixels from its top left. */
function spotIn(element: Element, { clientX, clientY }: PointerPlace): Spot {
  const box = element.getBoundingClientRect();
  return { x: clientX - box.left, y: clientY - box.top };
}
