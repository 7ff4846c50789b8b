import { type RefObject, useEffect, useRef } from "react";
import { useChoice } from "../choice/choice.ts";
import { useShow } from "../show/useShow.ts";
import { type LightLayers, paintStage } from "./paintStage.ts";
import { type Outputs, type StageLight, stageLights } from "./scene.ts";
import { type StageView, type ViewName, stageView } from "./view.ts";

interface StagePictureProps {
  /** Gives the outputs at this very moment; called for every frame. */
  outputs: () => Outputs;
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
  onPointerDown?: (event: React.PointerEvent<HTMLCanvasElement>) => void;
  onPointerMove?: (event: React.PointerEvent<HTMLCanvasElement>) => void;
  onPointerUp?: (event: React.PointerEvent<HTMLCanvasElement>) => void;
}

/** What stands in the picture, and the line being drawn around lights. */
export interface Painted {
  readonly view: StageView;
  readonly lights: readonly StageLight[];
  readonly lasso: readonly { x: number; y: number }[];
}

/** The picture of the stage, painted anew for every frame. */
export function StagePicture(props: StagePictureProps) {
  const { sheet } = useShow();
  const canvas = useRef<HTMLCanvasElement>(null);
  const channels = useChoice((choice) => choice.channels);
  const latest = useRef({ ...props, show: sheet.show, channels });
  latest.current = { ...props, show: sheet.show, channels };

  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext("2d", { alpha: false });
    if (!element || !context) return;
    const layers: LightLayers = { pools: null, beams: null };
    const style = getComputedStyle(element);
    const quiet = style.getPropertyValue("--zm-quiet");
    const glass = style.getPropertyValue("--color-secondary");
    let frame = 0;
    const paint = (): void => {
      const scale = window.devicePixelRatio || 1;
      const { clientWidth: width, clientHeight: height } = element;
      if (element.width !== Math.round(width * scale) || element.height !== Math.round(height * scale)) {
        element.width = Math.round(width * scale);
        element.height = Math.round(height * scale);
      }
      context.setTransform(scale, 0, 0, scale, 0, 0);
      const now = latest.current;
      const view = stageView(now.view ?? "front", width, height);
      const lights = stageLights(now.show, now.outputs());
      const lasso = now.painted?.current?.lasso ?? [];
      if (now.painted) now.painted.current = { view, lights, lasso };
      paintStage(context, layers, lights, {
        width,
        height,
        view,
        haze: now.haze ?? 1,
        lasso,
        labels: now.labels,
        rings: now.rings ?? false,
        chosen: new Set(now.channels),
        font: '11px "Atkinson Hyperlegible Mono Variable", monospace',
        quiet,
        glass,
      });
      frame = requestAnimationFrame(paint);
    };
    frame = requestAnimationFrame(paint);
    return () => cancelAnimationFrame(frame);
  }, []);

  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={props.description}
      data-theme="desk"
      className="h-full w-full touch-none bg-black"
      onPointerDown={props.onPointerDown}
      onPointerMove={props.onPointerMove}
      onPointerUp={props.onPointerUp}
      onPointerCancel={props.onPointerUp}
    />
  );
}
