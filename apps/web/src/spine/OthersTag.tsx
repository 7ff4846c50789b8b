import { nameOfOther } from "@zm/protocol";
import { initialsOf } from "../shared/words.ts";
import { useOthers } from "../show/presence.ts";
import { useMainList } from "../show/useShow.ts";

interface OthersTagProps {
  list: string;
  cue: string;
}

/** Who else works on a cue: their initials, in a frame of its own shape. */
export function OthersTag({ list, cue }: OthersTagProps) {
  const isAnyone = useOthers(({ others }) => others.some((here) => here.cueEnd === cue));
  return isAnyone ? <Initials list={list} cue={cue} /> : null;
}

function Initials({ list, cue }: OthersTagProps) {
  const others = useOthers((state) => state.others);
  const main = useMainList().id;
  const own = others.filter((here) => here.cueEnd === cue && (here.list ?? main) === list);
  if (own.length === 0) return null;
  const names = own.map(({ name }) => nameOfOther(name));
  const words = `${names.join(" and ")} ${own.length === 1 ? "is" : "are"} at this cue`;
  return (
    <span title={words} className="shrink-0 rounded-full border border-secondary px-1.5 text-[13px] leading-4 font-normal text-secondary">
      <span className="sr-only">{words}</span>
      <span aria-hidden>{own.map(({ name }) => (name === null ? "+" : initialsOf(name))).join(" ")}</span>
    </span>
  );
}
