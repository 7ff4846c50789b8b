import { type RefObject, useEffect, useRef } from "react";
import { tellChangedMeanwhile } from "../shared/changedMeanwhile.ts";
import { type FocusPlace, placeRef } from "../shared/focusPlaces.ts";
import { useTakenWhenGone } from "../shared/useTakenWhenGone.ts";
import { useMergedRefs } from "../shared/useMergedRefs.ts";

interface CueTextFieldProps {
  label: string;
  id: string;
  value: string;
  placeholder?: string | undefined;
  /** The label is for those who do not see the field. */
  hidden?: boolean;
  /** The place that this field is, where the focus is sent to it from elsewhere. */
  place?: FocusPlace;
  /** A text of several lines: Enter takes it, Shift and Enter begins a line. */
  lines?: number;
  /** What could stand here, offered while it is typed. */
  offers?: readonly string[];
  onTake: (text: string) => void;
}

type Box = HTMLInputElement | HTMLTextAreaElement;

/** A text of a cue, taken when its field is left; Escape brings back what stood there. */
export function CueTextField({ label, id, value, place, placeholder, hidden = false, lines = 1, offers, onTake }: CueTextFieldProps) {
  const field = useRef<Box>(null);
  const fieldRef = useMergedRefs<Box>(field, place && placeRef(place));
  const begun = useRef(value);
  useTyped(field, value);
  const take = (typed: string): void => {
    const text = typed.trim();
    if (text === value) return;
    tellChangedMeanwhile(begun.current, value);
    onTake(text);
  };
  const waits = useTakenWhenGone(take);
  const box = {
    ref: fieldRef,
    id,
    placeholder,
    defaultValue: value,
    onKeyDown: (event: React.KeyboardEvent<Box>): void => {
      if (event.key === "Escape") {
        event.currentTarget.value = value;
        waits(null);
      }
      if (event.key === "Escape" || (event.key === "Enter" && !event.shiftKey)) event.currentTarget.blur();
    },
    onFocus: (): void => {
      begun.current = value;
    },
    onChange: (event: React.ChangeEvent<Box>): void => waits(event.target.value),
    onBlur: (event: React.FocusEvent<Box>): void => {
      waits(null);
      take(event.target.value);
    },
  };
  return (
    <div className={`flex min-w-0 flex-1 gap-2 ${lines > 1 ? "items-start" : "items-center"}`}>
      <label htmlFor={id} className={hidden ? "sr-only" : `w-12 shrink-0 text-quiet ${lines > 1 ? "pt-1" : ""}`}>
        {label}
      </label>
      {lines > 1 ? (
        <textarea
          {...box}
          rows={lines}
          title="Enter takes it, Shift Enter begins a line"
          className="textarea textarea-sm field-sizing-content max-h-40 min-h-14 min-w-0 flex-1 bg-base-100 px-2 leading-5"
        />
      ) : (
        <input {...box} list={offers && `${id}-offers`} className="input input-sm min-w-0 flex-1 bg-base-100 px-2" />
      )}
      {offers && (
        <datalist id={`${id}-offers`}>
          {offers.map((offer) => (
            <option key={offer} value={offer} />
          ))}
        </datalist>
      )}
    </div>
  );
}

/** Shows what holds; an edit from elsewhere does not replace what somebody is typing. */
function useTyped(field: RefObject<Box | null>, value: string): void {
  useEffect(() => {
    if (field.current && field.current !== document.activeElement) field.current.value = value;
  }, [field, value]);
}
