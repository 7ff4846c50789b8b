import { type Moves, type Point, aimNear, keyAt } from "@zm/core";
import { type RefObject, useRef, useState } from "react";
import { chooseLights, toggleLights, useChoice } from "../choice/choice.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useDropOnEscape } from "../shared/useDropOnEscape.ts";
import { useShow } from "../show/useShow.ts";
import type { Painted } from "../picture/StagePicture.tsx";
import { hungPlaces } from "../picture/scene.ts";
import { isInside } from "../picture/view.ts";

const NEAR = 13;
/** A press that moves less than this is a click, pixels. */
const CLICK = 4;

interface Spot {
  readonly x: number;
  readonly y: number;
}
type Press =
  | { readonly kind: "head"; readonly channel: number }
  | { readonly kind: "landing"; readonly start: Point; readonly movers: ReadonlyMap<number, Point> }
  | { readonly kind: "lasso" };

/** Choosing lights in the picture, by click and by a line around them, and, where the picture is live, moving where the chosen ones land. */
export function useStagePointer(painted: RefObject<Painted | null>, live: boolean) {
  const { sheet } = useShow();
  const { change, outputOf } = useHandChange();
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
  const nearest = (spot: Spot, pointOf: "from" | "to", among: (channel: number, turns: boolean) => boolean): number | undefined => {
    const now = painted.current;
    const found = (now?.lights ?? [])
      .filter(({ channel, turns }) => among(channel, turns))
      .map((light) => {
        const at = now?.view.project(light[pointOf]) ?? { x: Infinity, y: Infinity };
        return { channel: light.channel, far: Math.hypot(at.x - spot.x, at.y - spot.y) };
      })
      .sort((a, b) => a.far - b.far)[0];
    return found && found.far <= NEAR ? found.channel : undefined;
  };
  const whatIsAt = (spot: Spot): Press => {
    const chosen = new Set(useChoice.getState().channels);
    const landing = live ? nearest(spot, "to", (channel, turns) => turns && chosen.has(channel)) : undefined;
    const lights = painted.current?.lights ?? [];
    const grabbed = lights.find((light) => light.channel === landing);
    if (grabbed)
      return {
        kind: "landing",
        start: grabbed.to,
        movers: new Map(lights.filter(({ channel, turns }) => turns && chosen.has(channel)).map(({ channel, to }) => [channel, to])),
      };
    const head = nearest(spot, "from", () => true);
    return head === undefined ? { kind: "lasso" } : { kind: "head", channel: head };
  };

  /** Turns the chosen lights so that each lands as far from where it did as the one that is dragged; with `together` all at one place. */
  const aim = (movers: ReadonlyMap<number, Point>, start: Point, to: Point, together: boolean): void => {
    const moves: Moves = {};
    for (const [channel, landed] of movers) {
      const place = hungPlaces(sheet.show).get(channel);
      const pan = keyAt(sheet.keys, channel, "pan");
      const tilt = keyAt(sheet.keys, channel, "tilt");
      if (!place || !pan || !tilt) continue;
      const goal = together
        ? to
        : { x: landed.x + to.x - start.x, y: Math.max(0, landed.y + to.y - start.y), z: landed.z + to.z - start.z };
      const found = aimNear(place, goal, { pan: outputOf(pan), tilt: outputOf(tilt) }, { pan: pan.attribute, tilt: tilt.attribute });
      if (found) moves[channel] = { pan: Math.round(found.pan * 10) / 10, tilt: Math.round(found.tilt * 10) / 10 };
    }
    if (Object.keys(moves).length > 0) change({ do: "give", moves });
  };

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
    const old = adds ? useChoice.getState().channels : [];
    chooseLights([...old, ...inside.filter((channel) => !old.includes(channel))]);
  };
  return { onPointerDown: down, onPointerMove: move, onPointerUp: up };
}
