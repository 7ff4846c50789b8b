/** What across, up and deep mean: the stage as the audience sees it, with an arrow for each. */
export function AxesPicture() {
  return (
    <svg
      viewBox="0 0 132 74"
      width={132}
      height={74}
      role="img"
      aria-label="Across is to the right as the audience sees it, up is above the stage, deep is away from the audience; all from the middle of the front edge"
      className="shrink-0 text-base-content"
    >
      <path d="M6 58 H102 L116 36 H26 Z" fill="none" stroke="currentColor" strokeOpacity={0.35} />
      <g stroke="currentColor" strokeWidth={1.5} fill="none">
        <path d="M54 58 H96 M92 55 L96 58 L92 61" />
        <path d="M54 58 V16 M51 20 L54 16 L57 20" />
        <path d="M54 58 L68 40 M63 41.5 L68 40 L68 45" />
      </g>
      <g fill="currentColor" fontSize={11}>
        <text x={84} y={71}>
          across
        </text>
        <text x={59} y={20}>
          up
        </text>
        <text x={72} y={48}>
          deep
        </text>
      </g>
      <circle cx={54} cy={58} r={2.5} fill="currentColor" />
      <text x={8} y={72} fontSize={10} fill="currentColor" fillOpacity={0.7}>
        audience
      </text>
    </svg>
  );
}
