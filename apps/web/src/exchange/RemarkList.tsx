import type { Remark } from "@zm/formats";
import { VirtualList } from "../shared/VirtualList.tsx";

const KINDS: Readonly<Record<Remark["kind"], string>> = { left: "left out", changed: "changed", kept: "kept aside" };

/** What does not come along, line by line; nothing to say is said too. */
export function RemarkList({
  label,
  remarks,
  more,
  nothing,
}: {
  label: string;
  remarks: readonly Remark[];
  more: number;
  nothing: string;
}) {
  if (remarks.length === 0) return <p className="text-quiet">{nothing}</p>;
  const hasLines = remarks.some(({ line }) => line !== undefined);
  return (
    <>
      <VirtualList label={label} lines={remarks} heightOf={() => 24}>
        {({ kind, line, words }) => (
          <p className={`grid gap-x-2 py-0.5 pr-2 leading-5 ${hasLines ? "grid-cols-[4.5rem_5.5rem_1fr]" : "grid-cols-[5.5rem_1fr]"}`}>
            {hasLines && <span className="figures text-quiet">{line === undefined ? "" : `line ${line}`}</span>}
            <span className={kind === "left" ? "text-primary" : "text-quiet"}>{KINDS[kind]}</span>
            <span className="min-w-0 break-words">{words}</span>
          </p>
        )}
      </VirtualList>
      {more > 0 && <p className="text-quiet">and {more} more</p>}
    </>
  );
}
