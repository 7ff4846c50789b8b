import { BARE, NARROW, SLIM } from "./widths.ts";

/** The headings over the spine's columns. */
export function SpineHeader({ width }: { width: number }) {
  const times = width > NARROW;
  return (
    <div
      role="presentation"
      className="sticky left-0 z-10 flex shrink-0 items-end border-r border-rule bg-base-100 pb-1.5 text-[13px] text-quiet"
      style={{ width }}
    >
      <span role="columnheader" className="w-[58px] shrink-0 pr-2 text-right">
        cue
      </span>
      <span role="columnheader" className="min-w-0 flex-1 pl-1.5">
        label
      </span>
      {width > BARE && (
        <span role="columnheader" className="w-[86px] shrink-0">
          follows
        </span>
      )}
      {times && (
        <>
          <span role="columnheader" className="w-[44px] shrink-0 text-right">
            up
          </span>
          <span role="columnheader" className="w-[46px] shrink-0 text-right">
            down
          </span>
        </>
      )}
      {width > SLIM && (
        <span role="columnheader" className="w-[56px] shrink-0 pr-3 text-right">
          lasts
        </span>
      )}
    </div>
  );
}
