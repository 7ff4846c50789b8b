import type { Completions } from "./useCompletions.ts";

/** What can come next in the line, in one row above it that covers no cue; Tab takes the first, the arrows pick another. */
export function CompletionList({ completions: { offered, pick, combobox } }: { completions: Completions }) {
  return (
    <ul
      {...combobox.getMenuProps({ "aria-label": "What can come next", "aria-labelledby": undefined })}
      hidden={offered.length === 0}
      className={
        offered.length === 0
          ? undefined
          : "absolute bottom-11 left-3 z-40 flex max-w-[calc(100%-27rem)] gap-1 overflow-hidden rounded-t border border-rule bg-base-200 p-1"
      }
    >
      {offered.map((item, index) => (
        <li
          key={item.word}
          {...combobox.getItemProps({ item, index, "aria-selected": index === pick })}
          className={`flex h-7 shrink-0 cursor-default items-center gap-1.5 rounded px-1.5 ${index === Math.max(0, pick) ? "bg-base-300 text-secondary" : ""}`}
        >
          <span className="figures">{item.word}</span>
          {item.about && item.about.toLowerCase() !== item.word.toLowerCase() && (
            <span className="text-[13px] text-quiet">{item.about}</span>
          )}
        </li>
      ))}
    </ul>
  );
}
