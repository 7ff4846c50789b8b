import { LogOut, UserRound, Users } from "lucide-react";
import { ROLE_WORDS, aRole } from "@zm/protocol";
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
    <DropMenu label={initials(person.name)} name={`${person.name}, ${person.role}`} button="" list="w-80" icon={<UserRound size={15} />}>
      <MenuHeading>
        {person.name}, {aRole(person.role)}: {ROLE_WORDS[person.role]}
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

/** The first letters of a name, two at most: the bar has room for no more. */
function initials(name: string): string {
  return name
    .split(/\s+/)
    .map((word) => word.charAt(0).toUpperCase())
    .slice(0, 2)
    .join("");
}
