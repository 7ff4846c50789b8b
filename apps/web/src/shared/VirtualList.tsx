import { useVirtualizer } from "@tanstack/react-virtual";
import { useRef } from "react";

interface VirtualListProps<Line> {
  /** What the list is of, for a screen reader. */
  label: string;
  lines: readonly Line[];
  /** How high a line is before it has been drawn, pixels. */
  heightOf: (line: Line) => number;
  children: (line: Line) => React.ReactNode;
}

/** A long list of lines of different heights that scrolls; only those in sight are drawn. */
export function VirtualList<Line>({ label, lines, heightOf, children }: VirtualListProps<Line>) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => {
      const line = lines[index];
      return line === undefined ? 0 : heightOf(line);
    },
    overscan: 8,
  });
  return (
    <div ref={scroller} className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} role="group" aria-label={label}>
      <ul className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((item) => {
          const line = lines[item.index];
          return (
            <li
              key={item.key}
              ref={rows.measureElement}
              data-index={item.index}
              className="absolute left-0 w-full"
              style={{ top: item.start }}
            >
              {line !== undefined && children(line)}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
