import { useQuery } from "@tanstack/react-query";
import { LONGEST_NAME, LONGEST_PASSWORD } from "@zm/protocol";
import { useEffect, useState } from "react";
import { useForm } from "react-hook-form";
import { Link, useLocation } from "react-router";
import { useOnce } from "../shared/ActionButton.tsx";
import { errorMessage } from "../shared/errorMessage.ts";
import { api } from "../show/api.ts";
import { DOOR, JOIN, behindDoor, meQuery } from "../show/me.ts";
import { DoorField } from "./DoorField.tsx";
import { NewPersonFields } from "./NewPersonFields.tsx";

/** The door: name and password of somebody who has an account. */
export function SignInPage() {
  const { search } = useLocation();
  const { register, getValues, handleSubmit } = useForm({ defaultValues: { name: "", password: "" } });
  return (
    <DoorForm title="Sign in" act="Sign in" onEnter={() => api.signIn(getValues())} submit={handleSubmit}>
      <DoorField label="Name" autoFocus autoComplete="username" maxLength={LONGEST_NAME} {...register("name", { required: true })} />
      <DoorField
        label="Password"
        type="password"
        autoComplete="current-password"
        maxLength={LONGEST_PASSWORD}
        {...register("password", { required: true })}
      />
      <p className="text-quiet">
        Somebody has given you a code?{" "}
        <Link className="link" to={`${JOIN}${search}`}>
          Use the invitation
        </Link>
        . A password that is lost is given anew on the machine itself: npm run account -- password NAME
      </p>
    </DoorForm>
  );
}

/** The door for somebody who was invited: their code, and the name and password that they choose. */
export function JoinPage() {
  const { hash, search } = useLocation();
  const { register, getValues, handleSubmit } = useForm({ defaultValues: { code: hash.slice(1), name: "", password: "" } });
  return (
    <DoorForm title="You were invited" act="Come in" onEnter={() => api.join(getValues())} submit={handleSubmit}>
      <DoorField
        label="Code of the invitation"
        autoFocus={hash === ""}
        autoComplete="off"
        maxLength={20}
        {...register("code", { required: true })}
      />
      <NewPersonFields
        name={register("name", { required: true })}
        password={register("password", { required: true })}
        autoFocus={hash !== ""}
      />
      <p className="text-quiet">
        You have an account already?{" "}
        <Link className="link" to={`${DOOR}${search}`}>
          Sign in
        </Link>
      </p>
    </DoorForm>
  );
}

interface DoorFormProps {
  title: string;
  act: string;
  /** Asks to be let in. Throws what is wrong, in words. */
  onEnter: () => Promise<unknown>;
  submit: (act: () => void) => (event: React.FormEvent) => Promise<void>;
  children: React.ReactNode;
}

/** What both doors have: a title, fields, one button, and what is wrong beside it. Who is let in goes on where they came from. */
function DoorForm({ title, act, onEnter, submit, children }: DoorFormProps) {
  const { search } = useLocation();
  const { data: me } = useQuery(meQuery);
  const isIn = me?.person != null;
  // Whoever is in already, or need not sign in, has no business at the door.
  useEffect(() => {
    if (isIn) window.location.assign(behindDoor(search));
  }, [isIn, search]);
  const [trouble, setTrouble] = useState("");
  const [enter, busy] = useOnce(async () => {
    try {
      await onEnter();
      window.location.assign(behindDoor(search));
    } catch (error) {
      setTrouble(errorMessage(error));
    }
  });
  return (
    <main className="flex min-h-full items-center justify-center p-6">
      <form aria-label={title} className="flex w-96 flex-col gap-3" onSubmit={(event) => void submit(enter)(event)}>
        <p className="text-quiet">Zealous Mark</p>
        <h1 className="text-[22px] font-bold">{title}</h1>
        {children}
        <p role="alert" className="min-h-5 text-error">
          {trouble}
        </p>
        <button type="submit" className="btn btn-primary" aria-busy={busy}>
          {act}
        </button>
      </form>
    </main>
  );
}
