import { LogOut, UserRound, Users } from "lucide-react";
import { ROLE_WORDS } from "@zm/protocol";
import { openPeople } from "../shared/dialogs.ts";
import { DropMenu, MenuEntry, MenuHeading } from "../shared/DropMenu.tsx";
import { tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { goToDoor, usePerson } from "../show/me.ts";

/** Who is signed in here, as what, and the way out. Nothing where nobody has an account. */
export function PersonButton() {
  const person = usePerson();
  if (person?.name == null) return null;
  const leave = (how: () => Promise<unknown>): void => void how().then(goToDoor, tellTrouble);
  return (
    <DropMenu label={person.name} button="max-w-32" list="w-80" icon={<UserRound size={15} />}>
      <MenuHeading>
        {person.role}: {ROLE_WORDS[person.role]}
      </MenuHeading>
      <MenuEntry onAct={openPeople}>
        <Users size={15} /> People, and your password …
      </MenuEntry>
      <MenuEntry onAct={() => leave(api.signOut)}>
        <LogOut size={15} /> Sign out
      </MenuEntry>
      <MenuEntry onAct={() => leave(api.signOutEverywhere)}>
        <LogOut size={15} /> Sign out in every browser
      </MenuEntry>
    </DropMenu>
  );
}
