/** A palette's colour as a small square. */
export function Swatch({ palette }: { palette: { values: readonly { attribute: string; value: number }[] } }) {
  const part = (name: string): number =>
    Math.round(255 * ((palette.values.find((value) => value.attribute === name)?.value ?? 100) / 100) ** 0.7);
  return (
    <span
      aria-hidden
      className="inline-block size-3 rounded-xs"
      style={{ background: `rgb(${part("red")} ${part("green")} ${part("blue")})` }}
    />
  );
}
