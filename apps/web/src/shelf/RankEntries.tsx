import { MenuEntry, MenuHeading, NumberEntry } from "../shared/DropMenu.tsx";

interface RankEntriesProps {
  priority: number;
  levels: "highest" | "latest";
  onSet: (change: { priority: number } | { levels: "highest" | "latest" }) => void;
}

const PRIORITIES = { min: 0, max: 100, whole: true };

/** How a list or a held look stands to others that want the same light. */
export function RankEntries({ priority, levels, onSet }: RankEntriesProps) {
  const other = levels === "highest" ? "latest" : "highest";
  return (
    <>
      <MenuHeading>Where others want the same light</MenuHeading>
      <NumberEntry
        label="Priority, 0 to 100"
        placeholder="priority, then Enter"
        value={String(priority)}
        bounds={PRIORITIES}
        onNumber={(wanted) => wanted !== null && onSet({ priority: wanted })}
      >
        Its priority is {priority} …
      </NumberEntry>
      <MenuEntry onAct={() => onSet({ levels: other })}>Let the {other} level count</MenuEntry>
    </>
  );
}
