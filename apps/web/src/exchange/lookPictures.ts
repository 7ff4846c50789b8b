import { type ShowSheet, listOf, stageAtRest } from "@zm/core";
import type { BundleParts } from "@zm/formats";
import { stagePainter } from "../picture/paintStage.ts";
import { hungPlaces, stageLights } from "../picture/scene.ts";
import { Sprites } from "../picture/sprites.ts";
import { stageView } from "../picture/view.ts";

const WIDTH = 400;
const HEIGHT = 250;
/** The beams of more lights than this are left out: they would take longer than all the rest. */
const MANY = 150;
/** A bundle of a very long list has pictures of so many of its cues, spread over all of it. */
const MOST = 120;

/** Pictures of what each cue of the first list looks like, as the Stage draws them, PNG; one after the other, so that the window goes on. `onDrawn` hears how many of all are there. */
export async function lookPictures(sheet: ShowSheet, onDrawn: (drawn: number, all: number) => void): Promise<BundleParts["pictures"]> {
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
    haze: sheet.show.channels.length > MANY ? 0 : 0.8,
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
  const every = Math.max(1, list.cues.length / MOST);
  const rows = Array.from({ length: Math.min(MOST, list.cues.length) }, (_, at) => Math.floor(at * every));
  for (const [at, row] of rows.entries()) {
    onDrawn(at, rows.length);
    paint(stageLights(sheet, stageAtRest(list, row)), options);
    const blob = await new Promise<Blob | null>((resolve) => picture.canvas.toBlob(resolve, "image/png"));
    const number = list.cues[row]?.number;
    if (blob && number !== undefined) pictures.push({ cue: number, png: new Uint8Array(await blob.arrayBuffer()) });
  }
  return pictures;
}

function contextOf(): CanvasRenderingContext2D | null {
  return document.createElement("canvas").getContext("2d", { willReadFrequently: false });
}
