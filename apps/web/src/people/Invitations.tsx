import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type InvitationReply, type Role, ROLES, ROLE_WORDS, aRole } from "@zm/protocol";
import { capital } from "@zm/core";
import { useEffect, useState } from "react";
import { ActionButton } from "../shared/ActionButton.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { tellTrouble } from "../shared/notices.ts";
import { timeLeft } from "../shared/words.ts";
import { api } from "../show/api.ts";
import { serverNow, useLive } from "../show/live.ts";
import { JOIN, meQuery, useWhyNot } from "../show/me.ts";
import { qrPicture } from "./qrPicture.ts";
import { rereadPeople, useChangePeople, usePeople } from "./usePeople.ts";

/** Inviting somebody: the role, then a code that is told once, as text and as a picture for a tablet; and the invitations that are open. */
export function Invitations() {
  const people = usePeople();
  const whyNot = useWhyNot("manage");
  const change = useChangePeople();
  const client = useQueryClient();
  const [role, setRole] = useState<Role>("operator");
  const [made, setMade] = useState<InvitationReply | null>(null);
  const now = useServerSeconds();
  if (whyNot !== null) return <p className="text-quiet">{whyNot}</p>;
  const open = people?.invitations.filter(({ ends }) => ends > now) ?? [];
  const told = made && open.some(({ id }) => id === made.id) ? made : null;
  const invite = async (): Promise<void> => {
    try {
      setMade(await api.invite(role));
      await rereadPeople(client);
    } catch (error) {
      tellTrouble(error);
    }
  };
  return (
    <section aria-label="Invitations" className="flex flex-col gap-3">
      <h3 className="text-[13px] font-bold text-quiet">Invite somebody as</h3>
      <div className="flex flex-wrap gap-1.5" role="group" aria-label="Role">
        {ROLES.map((each) => (
          <Toggle key={each} pressed={each === role} onClick={() => setRole(each)}>
            {each}
          </Toggle>
        ))}
      </div>
      <p className="text-[13px] text-quiet">
        {capital(aRole(role))} {ROLE_WORDS[role]}.
      </p>
      <ActionButton className="btn btn-primary btn-sm self-start" onAct={invite}>
        Make an invitation
      </ActionButton>
      {told && <ToldInvitation invitation={told} />}
      <ul className="flex flex-col">
        {open.map(({ id, role: as, by, ends }) => (
          <li key={id} className="flex h-10 items-center gap-2 border-t border-rule text-[13px]">
            <span className="flex-1">
              for {aRole(as)}
              {by !== null && <span className="text-quiet"> by {by}</span>}
            </span>
            <span className="tabular-nums text-quiet">ends in {timeLeft((ends - now) / 1000)}</span>
            <ActionButton className="btn btn-ghost btn-sm" onAct={() => change(() => api.withdraw(id))}>
              Take back
            </ActionButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** An invitation that has just been made: its code in large letters, where it is used, and both as a picture. */
function ToldInvitation({ invitation: { code, role } }: { invitation: InvitationReply }) {
  const { data: me } = useQuery(meQuery);
  const page = `${me?.addresses[0] ?? window.location.origin}${JOIN}`;
  const { data: picture } = useQuery({ queryKey: ["qr", page, code], queryFn: () => qrPicture(`${page}#${code}`), staleTime: Infinity });
  return (
    <div className="flex gap-4 rounded border border-secondary p-3" role="status" aria-label="The invitation">
      {picture !== undefined && (
        <img
          src={picture}
          alt={`The address of this invitation, as a picture for a camera: ${page}#${code}`}
          className="size-36 shrink-0"
        />
      )}
      <div className="flex min-w-0 flex-col gap-1">
        <p className="font-mono text-[24px] tabular-nums" data-testid="invitation-code">
          {code}
        </p>
        <p className="text-[13px] break-all">{page}</p>
        <p className="text-[13px] text-quiet">One {role} comes in with it, within ten minutes. It is told here once.</p>
      </div>
    </div>
  );
}

/** The server's clock; milliseconds. */
function timeThere(): number {
  return serverNow(useLive.getState().clockOffset);
}

/** The server's clock, read once a second; milliseconds. */
function useServerSeconds(): number {
  const [now, setNow] = useState(timeThere);
  useEffect(() => {
    const timer = setInterval(() => setNow(timeThere()), 1000);
    return () => clearInterval(timer);
  }, []);
  return now;
}
