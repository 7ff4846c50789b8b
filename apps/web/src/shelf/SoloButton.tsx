import type { Soloist } from "@zm/core";
import { Spotlight } from "lucide-react";
import { usePress } from "../show/run/usePress.ts";
import { useLive } from "../show/live.ts";

/** Lets only the lights of one list or held look come out; pressed again, all of them. */
export function SoloButton({ of, name }: { of: Soloist; name: string }) {
  const press = usePress();
  const solo = useLive((live) => live.run?.mix.grand.solo);
  const alone = solo !== undefined && ("list" in of ? "list" in solo && solo.list === of.list : "look" in solo && solo.look === of.look);
  return (
    <button
      type="button"
      aria-pressed={alone}
      aria-label={`Solo ${name}`}
      title={alone ? "All lights come out again" : `Only lights come out whose level ${name} holds`}
      className="btn btn-xs btn-square h-7 w-7 border-neutral aria-pressed:border-error aria-pressed:text-error"
      onClick={() => void press({ press: "solo", ...(alone ? {} : of) })}
    >
      <Spotlight size={14} />
    </button>
  );
}
