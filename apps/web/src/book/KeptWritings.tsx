import type { Script } from "@zm/core";
import { useState } from "react";
import { useShow } from "../show/useShow.ts";
import { writeScene } from "./book.ts";
import { keepWriting, readKept } from "./keptWriting.ts";

/** What was written in scenes and is not made yet: it can be written on or thrown away. */
export function KeptWritings({ script }: { script: Script }) {
  const { id } = useShow();
  const [kept, setKept] = useState(() => Object.keys(readKept(id)));
  const there = kept.flatMap((first) => script.lines.filter((line) => line.id === first));
  return there.map((line) => (
    <div key={line.id} role="status" className="flex shrink-0 items-center gap-2 border-b border-rule px-4 py-1 text-[13px]">
      <span className="min-w-0 flex-1 truncate">What was written in “{line.text}” is not made yet.</span>
      <button type="button" className="btn btn-xs border-neutral" onClick={() => writeScene(script, line.id)}>
        Write on
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-xs font-normal"
        onClick={() => {
          keepWriting(id, line.id, null);
          setKept((before) => before.filter((first) => first !== line.id));
        }}
      >
        Throw away
      </button>
    </div>
  ));
}
