import type { Right } from "@zm/protocol";
import { usePerson, useWhyNot } from "../show/me.ts";

/** Says beside a place where something is done that whoever is signed in here may not do it; nothing where they may. */
export function RoleMark({ right, words }: { right: Right; words: string }) {
  const person = usePerson();
  const whyNot = useWhyNot(right);
  if (whyNot === null) return null;
  return (
    <span className="rounded border border-rule px-2 py-0.5 text-[13px] text-quiet" title={whyNot}>
      {person?.role}: {words}
    </span>
  );
}
