import { useForm } from "react-hook-form";
import { useOnce } from "../shared/ActionButton.tsx";
import { api } from "../show/api.ts";
import { askAgainWhoIAm } from "../show/me.ts";
import { NewPersonFields } from "./NewPersonFields.tsx";
import { useChangePeople } from "./usePeople.ts";

/** Where nobody has an account: what that means, and the first one. */
export function FirstAccount() {
  const { register, getValues, handleSubmit } = useForm({ defaultValues: { name: "", password: "" } });
  const change = useChangePeople();
  const [make, busy] = useOnce(async () => {
    if (await change(() => api.addAccount({ ...getValues(), role: "programmer" }))) await askAgainWhoIAm();
  });
  return (
    <form aria-label="First account" className="flex max-w-xl flex-1 flex-col gap-3" onSubmit={(event) => void handleSubmit(make)(event)}>
      <p>
        Nobody has an account. Whoever sits at this machine may do everything, and that is enough for one person at one machine. Others are
        let in, each with a role of their own, once you have an account: from then on everybody signs in.
      </p>
      <NewPersonFields name={register("name", { required: true })} password={register("password", { required: true })} />
      <div>
        <button type="submit" className="btn btn-primary btn-sm" aria-busy={busy}>
          Make my account, as programmer
        </button>
      </div>
    </form>
  );
}
