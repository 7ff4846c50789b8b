import { type Moves, type Point, aimNear, keyAt, toTenth } from "@zm/core";
import { hungPlaces } from "../picture/scene.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useShow } from "../show/useShow.ts";

type Aim = (movers: ReadonlyMap<number, Point>, start: Point, to: Point, together: boolean) => void;

/** Turns the chosen lights so that each lands as far from where it did as the one that is dragged; with `together` all at one place. */
export function useAim(): Aim {
  const { sheet } = useShow();
  const { change, outputOf } = useHandChange();
  return (movers: ReadonlyMap<number, Point>, start: Point, to: Point, together: boolean): void => {
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
      if (found) moves[channel] = { pan: toTenth(found.pan), tilt: toTenth(found.tilt) };
    }
    if (Object.keys(moves).length > 0) change({ do: "give", moves });
  };
}
