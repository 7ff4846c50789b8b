import { type Account, ROLES, ROLE_WORDS } from "@zm/protocol";
import { X } from "lucide-react";
import { useState } from "react";
import { ActionButton } from "../shared/ActionButton.tsx";
import { SelectField } from "../shared/SelectField.tsx";
import { api } from "../show/api.ts";
import { usePerson, useWhyNot } from "../show/me.ts";
import { useChangePeople, usePeople } from "./usePeople.ts";

const ROLE_OPTIONS = ROLES.map((role) => [role, role] as const);

/** Everybody who has an account, with the role that each has. */
export function AccountList() {
  const people = usePeople();
  return (
    <section aria-label="Accounts" className="flex flex-col gap-1">
      <h3 className="text-[13px] font-bold text-quiet">Who may in</h3>
      <ul className="flex flex-col">
        {people?.accounts.map((account) => (
          <AccountRow key={account.name} account={account} />
        ))}
      </ul>
    </section>
  );
}

function AccountRow({ account: { name, role, sessions } }: { account: Account }) {
  const me = usePerson();
  const whyNot = useWhyNot("manage");
  const change = useChangePeople();
  const [removing, setRemoving] = useState(false);
  const isMe = me?.name === name;
  return (
    <li className="flex min-h-11 flex-col justify-center border-t border-rule py-1.5">
      <div className="flex items-center gap-3">
        <span className="min-w-0 flex-1 truncate font-bold">
          {name} {isMe && <span className="font-normal text-quiet">you</span>}
        </span>
        <span className="w-44 text-[13px] text-quiet">{sessionWords(sessions)}</span>
        {whyNot === null ? (
          <span className="w-36">
            <SelectField
              label={`Role of ${name}`}
              value={role}
              options={ROLE_OPTIONS}
              onTake={(next) => void change(() => api.changeRole(name, next))}
            />
          </span>
        ) : (
          <span className="w-36">{role}</span>
        )}
        {whyNot === null && (
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            aria-label={`Take ${name}'s account away`}
            onClick={() => setRemoving(true)}
          >
            <X size={15} />
          </button>
        )}
      </div>
      <p className="text-[13px] text-quiet">{ROLE_WORDS[role]}</p>
      {removing && (
        <p className="flex items-center gap-2 py-1">
          <span className="flex-1">{name} is signed out everywhere, and comes in again by a new invitation. What they did stays.</span>
          <ActionButton
            className="btn btn-error btn-sm"
            onAct={async () => (await change(() => api.removeAccount(name))) || setRemoving(false)}
          >
            Take it away
          </ActionButton>
          <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={() => setRemoving(false)}>
            Keep it
          </button>
        </p>
      )}
    </li>
  );
}

function sessionWords(sessions: number): string {
  if (sessions === 0) return "signed in nowhere";
  return sessions === 1 ? "signed in in one browser" : `signed in in ${sessions} browsers`;
}
