import type { RefCallback } from "react";

/** Places that the focus is sent to from elsewhere in the window. */
export type FocusPlace = "line" | "score" | "range value" | "cue label" | "first light" | "impact";

const standing = new Map<FocusPlace, HTMLElement>();
const refs = new Map<FocusPlace, RefCallback<HTMLElement>>();

/** The ref of the element that is this place, for as long as it stands. */
export function placeRef(place: FocusPlace): RefCallback<HTMLElement> {
  const known = refs.get(place);
  if (known) return known;
  const ref: RefCallback<HTMLElement> = (element) => {
    if (!element) return undefined;
    standing.set(place, element);
    return () => {
      if (standing.get(place) === element) standing.delete(place);
    };
  };
  refs.set(place, ref);
  return ref;
}

/** Sends the focus to a place and gives its element; undefined where it is not on the screen. */
export function focusOn(place: FocusPlace): HTMLElement | undefined {
  const element = standing.get(place);
  element?.focus();
  return element;
}
