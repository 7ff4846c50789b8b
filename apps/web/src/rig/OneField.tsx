import { useForm, useWatch } from "react-hook-form";
import { useOnce } from "../shared/ActionButton.tsx";
import { withoutSent } from "../shared/withoutSent.ts";

const NOTHING = { text: "" };

/** A field with its own button, which is emptied when it was done; what has been typed in it since stays. */
export function OneField({
  label,
  placeholder,
  hint,
  onTake,
}: {
  label: string;
  placeholder: string;
  hint: string;
  onTake: (text: string) => Promise<boolean>;
}) {
  const { control, register, handleSubmit, getValues, reset } = useForm({ defaultValues: NOTHING });
  const text = useWatch({ control, name: "text" }).trim();
  const [take] = useOnce(async (): Promise<void> => {
    const sent = getValues();
    if (text !== "" && (await onTake(text))) reset(withoutSent(getValues(), sent, NOTHING));
  });
  return (
    <form onSubmit={(event) => void handleSubmit(take)(event)}>
      <label className="text-[13px] text-quiet">
        {label}
        <span className="mt-0.5 flex gap-1.5">
          <input
            className={`input input-sm min-w-0 flex-1 bg-base-100 px-2 text-base-content ${/\d/.test(placeholder) ? "figures" : ""}`}
            placeholder={placeholder}
            autoComplete="off"
            {...register("text")}
          />
          <button type="submit" className="btn btn-sm border-neutral px-2" disabled={text === ""}>
            Do
          </button>
        </span>
      </label>
      <span className="text-[13px] text-quiet">{hint}</span>
    </form>
  );
}
