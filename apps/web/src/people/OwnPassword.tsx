import { LONGEST_PASSWORD, SHORTEST_PASSWORD } from "@zm/protocol";
import { useForm } from "react-hook-form";
import { useOnce } from "../shared/ActionButton.tsx";
import { notify, tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { DoorField } from "./DoorField.tsx";

/** Another password for whoever is signed in. */
export function OwnPassword() {
  const { register, getValues, handleSubmit, reset } = useForm({ defaultValues: { password: "", next: "" } });
  const [change, busy] = useOnce(async () => {
    try {
      await api.changePassword(getValues());
      reset();
      notify("Your password is another now; every other browser of yours is signed out");
    } catch (error) {
      tellTrouble(error);
    }
  });
  return (
    <form aria-label="Your password" className="flex flex-col gap-2" onSubmit={(event) => void handleSubmit(change)(event)}>
      <h3 className="text-[13px] font-bold text-quiet">Your password</h3>
      <div className="flex items-end gap-2">
        <DoorField
          label="The one you have"
          type="password"
          autoComplete="current-password"
          maxLength={LONGEST_PASSWORD}
          {...register("password", { required: true })}
        />
        <DoorField
          label={`The one you want, ${SHORTEST_PASSWORD} or more`}
          type="password"
          autoComplete="new-password"
          minLength={SHORTEST_PASSWORD}
          maxLength={LONGEST_PASSWORD}
          {...register("next", { required: true })}
        />
        <button type="submit" className="btn btn-outline btn-sm mb-1 border-neutral" aria-busy={busy}>
          Change it
        </button>
      </div>
    </form>
  );
}
