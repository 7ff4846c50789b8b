import { type ShowSheet, listOf, stageAtRest } from "@zm/core";
import type { BundleParts } from "@zm/formats";
import { stagePainter } from "../picture/paintStage.ts";
import { hungPlaces, stageLights } from "../picture/scene.ts";
import { Sprites } from "../picture/sprites.ts";
import { stageView } from "../picture/view.ts";
import { nextFrame } from "../shared/nextFrame.ts";

const WIDTH = 640;
const HEIGHT = 400;
/** A bundle of a very long list has pictures of its first cues alone. */
const MOST = 400;

/** Pictures of what each cue of the first list looks like, as the Stage draws them, PNG; one each frame, so that the window goes on. */
export async function lookPictures(sheet: ShowSheet): Promise<BundleParts["pictures"]> {
  const [picture, marks] = [contextOf(), contextOf()];
  if (!picture || !marks) return [];
  const list = listOf(sheet);
  const paint = stagePainter(picture, marks);
  const options = {
    scale: 1,
    width: WIDTH,
    height: HEIGHT,
    view: stageView("front", WIDTH, HEIGHT, [...hungPlaces(sheet.show).values()]),
    furnished: false,
    haze: 0.8,
    lasso: [],
    labels: false,
    rings: false,
    chosen: new Set<number>(),
    font: '11px "Atkinson Hyperlegible Mono Variable", monospace',
    sprites: new Sprites(1),
    quiet: "gray",
    glass: "gray",
  };
  const pictures: { cue: string; png: Uint8Array }[] = [];
  for (const [row, { number }] of list.cues.slice(0, MOST).entries()) {
    paint(stageLights(sheet, stageAtRest(list, row)), options);
    const blob = await new Promise<Blob | null>((resolve) => picture.canvas.toBlob(resolve, "image/png"));
    if (blob) pictures.push({ cue: number, png: new Uint8Array(await blob.arrayBuffer()) });
    await nextFrame();
  }
  return pictures;
}

function contextOf(): CanvasRenderingContext2D | null {
  return document.createElement("canvas").getContext("2d", { willReadFrequently: false });
}
