import { LogOut, Users } from "lucide-react";
import { ROLE_WORDS, aRole, nameOfOther } from "@zm/protocol";
import { openPeople } from "../shared/dialogs.ts";
import { DropMenu, MenuEntry, MenuHeading } from "../shared/DropMenu.tsx";
import { tellTrouble } from "../shared/notices.ts";
import { initialsOf } from "../shared/words.ts";
import { api } from "../show/api.ts";
import { goToDoor, usePerson } from "../show/me.ts";
import { placeWords } from "./placeWords.ts";
import { LOOKS_ON, follow, useOthers } from "../show/presence.ts";

/** Whether there is anybody to be told of in the bar: somebody is signed in, or another window has the show open. */
export function useHasPeople(): boolean {
  const person = usePerson();
  return useOthers(({ others }) => others.length > 0) || person !== null;
}

/** Who is here: whoever is signed in, with the way out, and the other windows of the show, each of which can be followed. */
export function PeopleButton() {
  const person = usePerson();
  const { others, followed } = useOthers();
  if (!useHasPeople()) return null;
  const own = person === null ? [] : [`${person.name}, ${person.role}`];
  const many = others.length === 0 ? [] : [others.length === 1 ? "one other window is here" : `${others.length} other windows are here`];
  const label = [person?.name == null ? "" : initialsOf(person.name), others.length > 0 ? `+${others.length}` : ""].join(" ").trim();
  const leave = (how: () => Promise<unknown>): void => void how().then(goToDoor, tellTrouble);
  return (
    <DropMenu
      label={label}
      name={[...own, ...many].join("; ")}
      button={followed === null ? "" : "text-secondary"}
      list="w-80"
      icon={<Users size={15} className="shrink-0" />}
    >
      {others.length > 0 && <MenuHeading>Here now; choose one to see what they see</MenuHeading>}
      {others
        .filter(({ view }) => view === LOOKS_ON)
        .map((here) => (
          <MenuHeading key={here.window}>{nameOfOther(here.name)} looks on</MenuHeading>
        ))}
      {others
        .filter(({ view }) => view !== LOOKS_ON)
        .map((here) => (
          <MenuEntry key={here.window} current={here.window === followed} onAct={() => follow(here.window)}>
            <span className="flex-1 truncate">{nameOfOther(here.name)}</span>
            <span className="text-[13px] text-quiet">{placeWords(here)}</span>
          </MenuEntry>
        ))}
      {person !== null && (
        <MenuHeading>
          You are {person.name}, {aRole(person.role)}, who {ROLE_WORDS[person.role]}
        </MenuHeading>
      )}
      <MenuEntry onAct={openPeople}>
        <Users size={15} /> People, and who may in …
      </MenuEntry>
      {person !== null && (
        <>
          <MenuEntry onAct={() => leave(api.signOut)}>
            <LogOut size={15} /> Sign out
          </MenuEntry>
          <MenuEntry onAct={() => leave(api.signOutEverywhere)}>
            <LogOut size={15} /> Sign out in every browser
          </MenuEntry>
        </>
      )}
    </DropMenu>
  );
}
