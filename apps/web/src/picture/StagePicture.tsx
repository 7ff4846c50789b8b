import { type Point, type ShowSheet, cached } from "@zm/core";
import { type RefObject, useEffect, useMemo, useRef } from "react";
import { useSelection } from "../choice/selection.ts";
import { useShow } from "../show/useShow.ts";
import { memoLast } from "../shared/memoLast.ts";
import { stagePainter } from "./paintStage.ts";
import type { Outputs } from "../show/outputs.ts";
import { type StageLight, hungPlaces, sameLights, stageLights } from "./scene.ts";
import { withWaiting } from "./waiting.ts";
import { Sprites } from "./sprites.ts";
import { type StageView, type ViewName, stageView } from "./view.ts";

interface StagePictureProps extends PictureLook {
  /** Gives what every key puts out at this very moment; called for every frame. */
  outputs?: () => Outputs;
  /** Gives the lights themselves, where they are no outputs of the rig: what differs between two states. */
  lights?: () => readonly StageLight[];
  /** By light, the cue for which it moves in the dark or waits. */
  waits?: ReadonlyMap<number, string>;
}

/** How the picture is looked at, and what answers to the pointer. */
interface PictureLook {
  labels: boolean;
  view?: ViewName;
  /** How much of the beams hangs in the air, 0 to 1. */
  haze?: number;
  /** Chosen lights show the ring by which their landing point is moved. */
  rings?: boolean;
  /** What the picture shows, for those who do not see it. */
  description: string;
  /** Filled with what was painted last, for whoever answers to the pointer. */
  painted?: RefObject<Painted | null>;
  onPointerCancel?: ((event: React.PointerEvent<HTMLElement>) => void) | undefined;
  onPointerDown?: (event: React.PointerEvent<HTMLElement>) => void;
  onPointerMove?: (event: React.PointerEvent<HTMLElement>) => void;
  onPointerUp?: (event: React.PointerEvent<HTMLElement>) => void;
}

/** What stands in the picture, and the line being drawn around lights. */
export interface Painted {
  readonly view: StageView;
  readonly lights: readonly StageLight[];
  readonly lasso: readonly { x: number; y: number }[];
}

/** The only play whose set is drawn is the demo production; a show of somebody's own has a bare stage. */
const DEMO_TITLE = "Salt and Paraffin";

/** A picture that takes longer to paint than this is painted less often; milliseconds. */
const SLOW = 8;

/** Where the lights hang, for the picture to have room for all of them. */
const placesFor = cached((sheet: ShowSheet): readonly Point[] => [...hungPlaces(sheet.show).values()]);

/** Nothing is put out: every light stands dark. */
const NO_OUTPUTS = new Float64Array();
const NO_LASSO: Painted["lasso"] = [];

/** What one painting showed: painted again only when one of it has changed. */
interface Shown {
  readonly lights: readonly StageLight[];
  readonly facts: readonly unknown[];
}

function sameShown(a: Shown, b: Shown): boolean {
  return a.facts.every((fact, index) => fact === b.facts[index]) && sameLights(a.lights, b.lights);
}

/** What is to be painted. */
interface Wanted extends StagePictureProps {
  readonly sheet: ShowSheet;
  readonly chosen: ReadonlySet<number>;
}

interface Canvases {
  readonly frameOf: RefObject<HTMLDivElement | null>;
  readonly pictureScore: RefObject<HTMLCanvasElement | null>;
  readonly markSheet: RefObject<HTMLCanvasElement | null>;
}

/** Paints frame after frame, as long as something in them changes; each frame shows what was asked for last. */
function usePainting({ frameOf, pictureScore, markSheet }: Canvases, wanted: Wanted): void {
  const latest = useRef(wanted);
  latest.current = wanted;

  useEffect(() => {
    const element = frameOf.current;
    const picture = pictureScore.current?.getContext("2d", { alpha: false });
    const marks = markSheet.current?.getContext("2d");
    if (!element || !picture || !marks) return;
    const paintStage = stagePainter(picture, marks);
    const style = getComputedStyle(element);
    const quiet = style.getPropertyValue("--zm-quiet");
    const glass = style.getPropertyValue("--color-secondary");
    const viewOf = memoLast(stageView);
    let sprites: { of: string; words: Sprites } | null = null;
    let frame = 0;
    let shown: Shown | null = null;
    let restUntil = 0;
    const paint = (): void => {
      frame = requestAnimationFrame(paint);
      const began = performance.now();
      // Where painting takes long, as without a graphics card, a picture that always moves leaves the window twice as long for everything else.
      if (began < restUntil) return;
      const scale = window.devicePixelRatio || 1;
      const { clientWidth: width, clientHeight: height } = element;
      // A picture that is folded away or squeezed to nothing has no pixel to paint.
      if (width === 0 || height === 0) return;
      const now = latest.current;
      const plain = now.lights?.() ?? stageLights(now.sheet, now.outputs?.() ?? NO_OUTPUTS);
      const lights = now.waits ? withWaiting(plain, now.waits) : plain;
      const next: Shown = {
        lights,
        facts: [
          width,
          height,
          scale,
          now.view,
          now.haze,
          now.labels,
          now.rings,
          now.chosen,
          now.painted?.current?.lasso ?? NO_LASSO,
          document.fonts.status,
        ],
      };
      if (shown && sameShown(shown, next)) return;
      shown = next;
      const drawnFor = `${scale} ${document.fonts.status}`;
      if (sprites?.of !== drawnFor) sprites = { of: drawnFor, words: new Sprites(scale) };
      const view = viewOf(now.view ?? "front", width, height, placesFor(now.sheet));
      const lasso = now.painted?.current?.lasso ?? NO_LASSO;
      if (now.painted) now.painted.current = { view, lights, lasso };
      paintStage(lights, {
        scale,
        width,
        height,
        view,
        furnished: now.sheet.show.title === DEMO_TITLE,
        haze: now.haze ?? 1,
        lasso,
        labels: now.labels,
        rings: now.rings ?? false,
        chosen: now.chosen,
        font: '11px "Atkinson Hyperlegible Mono Variable", monospace',
        sprites: sprites.words,
        quiet,
        glass,
      });
      const took = performance.now() - began;
      restUntil = took > SLOW ? began + 3 * took : 0;
    };
    frame = requestAnimationFrame(paint);
    return () => cancelAnimationFrame(frame);
  }, [frameOf, pictureScore, markSheet]);
}

/** The picture of the stage, painted anew for every frame in which something has changed. */
export function StagePicture(props: StagePictureProps) {
  const { sheet } = useShow();
  const frameOf = useRef<HTMLDivElement>(null);
  const pictureScore = useRef<HTMLCanvasElement>(null);
  const markSheet = useRef<HTMLCanvasElement>(null);
  const channels = useSelection((choice) => choice.channels);
  const chosen = useMemo(() => new Set(channels), [channels]);
  usePainting({ frameOf, pictureScore, markSheet }, { ...props, sheet, chosen });
  return (
    <div
      ref={frameOf}
      role="img"
      aria-label={props.description}
      data-theme="desk"
      className="relative isolate h-full w-full touch-none bg-black"
      onPointerDown={props.onPointerDown}
      onPointerMove={props.onPointerMove}
      onPointerUp={props.onPointerUp}
      onPointerCancel={props.onPointerCancel}
    >
      <canvas ref={pictureScore} className="pointer-events-none absolute inset-0 h-full w-full" />
      <canvas ref={markSheet} className="pointer-events-none absolute inset-0 h-full w-full" />
    </div>
  );
}
