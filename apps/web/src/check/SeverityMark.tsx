import type { Severity } from "@zm/core";
import { CircleAlert, Info, TriangleAlert } from "lucide-react";

const MARKS = {
  error: { Icon: CircleAlert, className: "text-error", word: "fault" },
  warning: { Icon: TriangleAlert, className: "text-primary", word: "likely a slip" },
  hint: { Icon: Info, className: "text-quiet", word: "hint" },
} as const;

/** How grave a finding is, by shape and colour. */
export function SeverityMark({ severity }: { severity: Severity }) {
  const { Icon, className, word } = MARKS[severity];
  return <Icon size={15} aria-label={word} className={`mt-0.5 shrink-0 ${className}`} />;
}
