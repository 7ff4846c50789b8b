import type { LineFault } from "@zm/core";

/** A line under the word that cannot be read. */
export function FaultMark({ text, fault }: { text: string; fault: LineFault }) {
  return (
    <span
      aria-hidden
      className="figures pointer-events-none absolute inset-0 flex items-center px-1 text-[15px] whitespace-pre text-transparent"
    >
      {text.slice(0, fault.at)}
      <span className="border-b-2 border-error">{text.slice(fault.at, fault.at + fault.length) || " "}</span>
    </span>
  );
}
