import { useForm, useWatch } from "react-hook-form";
import { useOnce } from "../shared/ActionButton.tsx";

/** A field with its own button, which is emptied when it was done. */
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
  const { control, register, handleSubmit, reset } = useForm<{ text: string }>({ defaultValues: { text: "" } });
  const text = useWatch({ control, name: "text" }).trim();
  const [take] = useOnce(async (): Promise<void> => {
    if (text !== "" && (await onTake(text))) reset();
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
