interface FaderProps {
  label: string;
  /** 0 to 100. */
  value: number;
  onMove: (value: number) => void;
}

/** An upright fader, moved by pointer, arrows, Page and Home and End. */
export function Fader({ label, value, onMove }: FaderProps) {
  return (
    <input
      type="range"
      aria-label={label}
      aria-orientation="vertical"
      min={0}
      max={100}
      step={1}
      value={Math.round(value)}
      className="shelf-fader h-[104px] w-7 shrink-0 cursor-pointer"
      onChange={(event) => onMove(Number(event.target.value))}
    />
  );
}
