import { sameData } from "@zm/core";
import { useState } from "react";

/** The value of an earlier render for as long as this one says the same, so that what is computed from it is not recomputed. */
export function useSame<T>(value: T): T {
  const [known, setKnown] = useState(value);
  const isSame = known === value || sameData(known, value);
  if (!isSame) setKnown(value);
  return isSame ? known : value;
}
