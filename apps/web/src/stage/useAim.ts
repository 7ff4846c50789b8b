import { type Moves, type Point, aimEdits, aimNear, isFixed, keyAt, toTenth } from "@zm/core";
import { hungPlaces } from "../picture/scene.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useSelection } from "../choice/selection.ts";
import { unlessRefused } from "../shared/unlessRefused.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";

type Aim = (movers: ReadonlyMap<number, Point>, start: Point, to: Point, together: boolean) => void;

/** Turns the chosen lights so that each lands as far from where it did as the one that is dragged; with `together` all at one place. */
export function useAim(): Aim {
  const { sheet } = useShow();
  const { change, outputOf } = useHandChange();
  return (movers: ReadonlyMap<number, Point>, start: Point, to: Point, together: boolean): void => {
    const moves: Moves = {};
    const turns = new Map(sheet.show.channels.map(({ number, place }) => [number, place?.turn]));
    for (const [channel, landed] of movers) {
      const place = hungPlaces(sheet.show).get(channel);
      const pan = keyAt(sheet.keys, channel, "pan");
      const tilt = keyAt(sheet.keys, channel, "tilt");
      if (!place || !pan || !tilt) continue;
      const goal = together
        ? to
        : { x: landed.x + to.x - start.x, y: Math.max(0, landed.y + to.y - start.y), z: landed.z + to.z - start.z };
      const now = { pan: outputOf(pan), tilt: outputOf(tilt) };
      const found = aimNear(place, goal, now, { pan: pan.attribute, tilt: tilt.attribute }, turns.get(channel));
      if (found) moves[channel] = { pan: toTenth(found.pan), tilt: toTenth(found.tilt) };
    }
    if (Object.keys(moves).length > 0) change({ do: "give", moves });
  };
}

/** Points a light that cannot turn at another place, as somebody has focused it; with `together` all chosen ones that cannot turn. An edit of the rig. */
export function useAimFixed(): (channel: number, to: Point, together: boolean) => void {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  return (channel, to, together) => {
    const { show } = sheet;
    const fixed = (number: number): boolean => isFixed(show, show.channels.find((each) => each.number === number)?.type ?? "");
    const lights = together ? useSelection.getState().channels.filter(fixed) : [channel];
    const aim = { x: toTenth(to.x), y: toTenth(to.y), z: toTenth(to.z) };
    const edits = unlessRefused(() => aimEdits(show, lights, aim));
    if (edits && edits.length > 0) void makeEdits(edits);
  };
}
