import { zodResolver } from "@hookform/resolvers/zod";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { AxesPicture } from "./AxesPicture.tsx";
import { readNumber } from "../shared/readNumber.ts";

type Place = { x: number; y: number; z: number };

const AXES = [
  ["x", "across"],
  ["y", "up"],
  ["z", "deep"],
] as const;

/** A length in metres as it is typed; an empty field is not one yet. */
const metres = z.string().trim().min(1).transform(readNumber).pipe(z.number());
const place = z.strictObject({ x: metres, y: metres, z: metres });
const hanging = z.strictObject({ from: place, to: place });
const NOWHERE = { x: "", y: "", z: "" };

/** Where a row of lights hangs, from its first to its last. */
export function HangForm({ onTake }: { onTake: (from: Place, to: Place) => Promise<boolean> }) {
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { from: NOWHERE, to: NOWHERE },
    resolver: zodResolver(hanging),
    mode: "onChange",
  });
  return (
    <form aria-label="Hang them" onSubmit={(event) => void handleSubmit(({ from, to }) => onTake(from, to))(event)}>
      <div className="flex items-end justify-between gap-2">
        <p className="text-[13px] text-quiet">Hang them in a row, metres</p>
        <AxesPicture />
      </div>
      {(["from", "to"] as const).map((end) => (
        <div key={end} className="mt-0.5 flex items-center gap-1">
          <span className="w-8 shrink-0 text-[13px] text-quiet">{end}</span>
          {AXES.map(([axis, word]) => (
            <input
              key={axis}
              aria-label={`${end} ${word}`}
              placeholder={word}
              className="input input-sm figures min-w-0 flex-1 bg-base-100 px-1 text-[13px]"
              autoComplete="off"
              {...register(`${end}.${axis}`)}
            />
          ))}
        </div>
      ))}
      <button type="submit" className="btn btn-sm mt-1 ml-9 border-neutral px-3" disabled={!formState.isValid}>
        Do
      </button>
    </form>
  );
}
