/** How a word stands in the picture. */
export interface WordStyle {
  readonly font: string;
  readonly colour: string;
}

interface Sprite {
  readonly image: ImageBitmap;
  /** In the picture's own units. */
  readonly width: number;
  readonly height: number;
}

/** Words drawn once and laid down as pictures after that: outlining letters anew for every light and frame takes longer than all the light. */
export class Sprites {
  private readonly known = new Map<string, Sprite>();
  private readonly scale: number;
  private readonly ruler = new OffscreenCanvas(1, 1).getContext("2d");

  /** `scale` is how many pixels stand for a unit of the picture. */
  constructor(scale: number) {
    this.scale = scale;
  }

  /** Lays a word with its middle at x, its upper edge at `top` or its lower edge at `bottom`. A dark edge makes it read over bright light. */
  put(context: CanvasRenderingContext2D, text: string, x: number, edge: { top: number } | { bottom: number }, style: WordStyle): void {
    const name = `${style.colour}/${style.font}/${text}`;
    const sprite = this.known.get(name) ?? this.draw(name, text, style);
    if (!sprite) return;
    const y = "top" in edge ? edge.top : edge.bottom - sprite.height;
    // On whole pixels, or it would be blurred.
    const whole = (place: number): number => Math.round(place * this.scale) / this.scale;
    context.drawImage(sprite.image, whole(x - sprite.width / 2), whole(y), sprite.width, sprite.height);
  }

  private draw(name: string, text: string, { font, colour }: WordStyle): Sprite | undefined {
    const measured = this.ruler && measure(this.ruler, text, font);
    if (!measured) return undefined;
    const width = Math.ceil(measured.width + EDGE * 2);
    const height = Math.ceil(measured.fontBoundingBoxAscent + measured.fontBoundingBoxDescent + EDGE * 2);
    const canvas = new OffscreenCanvas(Math.ceil(width * this.scale), Math.ceil(height * this.scale));
    const context = canvas.getContext("2d");
    if (!context) return undefined;
    context.scale(this.scale, this.scale);
    context.font = font;
    context.strokeStyle = "rgb(0 0 0 / 0.75)";
    context.lineWidth = EDGE;
    context.lineJoin = "round";
    context.fillStyle = colour;
    context.strokeText(text, EDGE, EDGE + measured.fontBoundingBoxAscent);
    context.fillText(text, EDGE, EDGE + measured.fontBoundingBoxAscent);
    const sprite = { image: canvas.transferToImageBitmap(), width, height };
    this.known.set(name, sprite);
    return sprite;
  }
}

function measure(ruler: OffscreenCanvasRenderingContext2D, text: string, font: string): TextMetrics {
  ruler.font = font;
  return ruler.measureText(text);
}

const EDGE = 2.5;
