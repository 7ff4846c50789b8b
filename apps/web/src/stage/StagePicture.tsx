import { useEffect, useRef } from "react";
import { useChoice } from "../choice/choice.ts";
import { useShow } from "../show/useShow.ts";
import { paintStage } from "./paintStage.ts";
import { type Outputs, stageLights } from "./scene.ts";

interface StagePictureProps {
  /** Gives the outputs at this very moment; called for every frame. */
  outputs: () => Outputs;
  labels: boolean;
  /** What the picture shows, for those who do not see it. */
  description: string;
}

/** The front view of the stage, painted anew for every frame in which something can have changed. */
export function StagePicture({ outputs, labels, description }: StagePictureProps) {
  const { sheet } = useShow();
  const canvas = useRef<HTMLCanvasElement>(null);
  const channels = useChoice((choice) => choice.channels);
  const latest = useRef({ outputs, show: sheet.show, labels, channels });
  latest.current = { outputs, show: sheet.show, labels, channels };

  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext("2d");
    if (!element || !context) return;
    let frame = 0;
    const paint = (): void => {
      const scale = window.devicePixelRatio || 1;
      const { clientWidth: width, clientHeight: height } = element;
      if (element.width !== Math.round(width * scale) || element.height !== Math.round(height * scale)) {
        element.width = Math.round(width * scale);
        element.height = Math.round(height * scale);
      }
      context.setTransform(scale, 0, 0, scale, 0, 0);
      const style = getComputedStyle(element);
      const now = latest.current;
      paintStage(context, stageLights(now.show, now.outputs()), {
        width,
        height,
        labels: now.labels,
        chosen: new Set(now.channels),
        font: '11px "Atkinson Hyperlegible Mono Variable", monospace',
        quiet: style.getPropertyValue("--zm-quiet"),
        glass: style.getPropertyValue("--color-secondary"),
      });
      frame = requestAnimationFrame(paint);
    };
    frame = requestAnimationFrame(paint);
    return () => cancelAnimationFrame(frame);
  }, []);

  return <canvas ref={canvas} role="img" aria-label={description} data-theme="desk" className="h-full w-full bg-black" />;
}
