import { emptyShow } from "@zm/core";
import { Suspense, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { useOpenOther } from "../file/useImport.ts";
import { DropPlace } from "../exchange/DropPlace.tsx";
import { openBring, useDialogs } from "../shared/dialogs.ts";
import { BringDialog } from "./parts.ts";
import { useOnce } from "../shared/ActionButton.tsx";
import { EmptyView } from "../shared/EmptyView.tsx";
import { api } from "../show/api.ts";
import { errorMessage } from "../shared/errorMessage.ts";

/** Where there is no show yet: the first one is begun here. */
export function NoShow() {
  const { register, handleSubmit, control } = useForm<{ name: string }>({ defaultValues: { name: "" } });
  const name = useWatch({ control, name: "name" }).trim();
  const openOther = useOpenOther();
  const { bring } = useDialogs();
  const [trouble, setTrouble] = useState("");
  const [begin, busy] = useOnce(async () => {
    try {
      const { id } = await api.importShow(JSON.stringify(emptyShow(name)));
      openOther(id);
    } catch (error) {
      setTrouble(errorMessage(error));
    }
  });
  return (
    <main className="p-10">
      <h1 className="sr-only">Zealous Mark</h1>
      <EmptyView
        title="There is no show yet"
        words="A show holds the rig, the cues and the script of one production. Give the first one a name."
      >
        <form className="flex gap-2" onSubmit={(event) => void handleSubmit(() => name !== "" && begin())(event)}>
          <input aria-label="Name of the show" autoFocus className="input w-80 bg-base-200" {...register("name")} />
          <button type="submit" className="btn btn-primary" disabled={name === ""} aria-busy={busy}>
            Begin the show
          </button>
        </form>
        <p role="status" className="text-error">
          {trouble}
        </p>
        <p className="text-quiet">Or bring one in: a show document or a bundle, a list from another desk, a drawing of the rig, a play.</p>
        <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={() => openBring()}>
          Bring in …
        </button>
      </EmptyView>
      <DropPlace />
      <Suspense fallback={null}>
        {bring && <BringDialog files={bring} show={null} onClose={() => useDialogs.setState({ bring: null })} />}
      </Suspense>
    </main>
  );
}
