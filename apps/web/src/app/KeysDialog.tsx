import { LINE_HELP } from "@zm/core";
import { Command } from "cmdk";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { putLine } from "../choice/lineText.ts";
import { Modal } from "../shared/Modal.tsx";
import { useShow } from "../show/useShow.ts";
import { FIRST_STEPS, type HelpLead, KEY_HELP, PLACES } from "./keyHelp.ts";

/** How to begin, every key, and everything that can be typed, to be searched. What is chosen of the typed goes to the line entry. */
export function KeysDialog({ words, onClose }: { words: string; onClose: () => void }) {
  const { id } = useShow();
  const navigate = useNavigate();
  const [search, setSearch] = useState(words);
  const list = useRef<HTMLDivElement>(null);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    // It begins at its beginning, whatever the search takes for its first find.
    if (list.current) list.current.scrollTop = 0;
  }, []);
  const take = (typed: readonly string[]): void => {
    onClose();
    setTimeout(() => putLine(typed.find((line) => holdsWords(line, search) > 0) ?? typed[0] ?? ""), 0);
  };
  // Without a search it begins with how to begin; with one, what can be typed comes first.
  const go = (view: string): void => {
    onClose();
    void navigate(`/show/${id}/${view}`);
  };
  const steps = <Leads heading="How to begin" leads={FIRST_STEPS} also="how to begin start first new" numbered onGo={go} />;
  const places = <Leads heading="Where things are" leads={PLACES} onGo={go} />;
  const keys = (
    <>
      {KEY_HELP.map(({ where, keys }) => (
        <Command.Group key={where} heading={where} className={GROUP}>
          {keys.map(({ shown, does, found = "" }) => (
            <Command.Item key={shown} value={`${where} ${shown} ${does} ${found}`} className={ITEM}>
              <span className="figures w-64 shrink-0 text-[13px]">{shown}</span>
              <span className="text-quiet">{does}</span>
            </Command.Item>
          ))}
        </Command.Group>
      ))}
    </>
  );
  const lines = (
    <>
      {LINE_HELP.map(({ about, entries }) => (
        <Command.Group key={about} heading={`Typed: ${about}`} className={GROUP}>
          {entries.map(({ typed, does, found = "" }) => (
            <Command.Item key={does} value={`${about} ${typed.join(" ")} ${does} ${found}`} className={ITEM} onSelect={() => take(typed)}>
              <span className="figures w-64 shrink-0 text-[13px]">
                {typed.map((each) => (
                  <span key={each} className="block">
                    {each}
                  </span>
                ))}
              </span>
              <span className="text-quiet">{does}</span>
            </Command.Item>
          ))}
        </Command.Group>
      ))}
    </>
  );
  return (
    <Modal label="Help" onClose={onClose} initialFocus={input} className="w-[56rem]">
      <Command loop filter={holdsWords} className="flex h-[620px] flex-col" label="Help">
        <Command.Input
          ref={input}
          value={search}
          onValueChange={setSearch}
          placeholder="what do you look for? such as blackout, save, house lights, why"
          className="h-12 shrink-0 border-b border-rule bg-transparent px-5 text-[15px] outline-none placeholder:text-quiet"
        />
        <Command.List ref={list} className="min-h-0 flex-1 overflow-y-auto px-3 py-2">
          <Command.Empty className="px-3 py-4 text-quiet">Nothing of that. Fewer letters find more.</Command.Empty>
          {search.trim() === "" && steps}
          {search.trim() === "" && places}
          {search.trim() === "" && keys}
          {lines}
          {search.trim() !== "" && places}
          {search.trim() !== "" && keys}
          {search.trim() !== "" && steps}
        </Command.List>
        <div className="flex items-center justify-between border-t border-rule px-5 py-2 text-[13px] text-quiet">
          Enter puts a typed example into the line entry, or goes where a step is done
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Close
          </button>
        </div>
      </Command>
    </Modal>
  );
}

interface LeadsProps {
  heading: string;
  leads: readonly HelpLead[];
  /** Words by which all of them are found. */
  also?: string;
  numbered?: boolean;
  onGo: (view: string) => void;
}

/** What leads to a view, one below the other. */
function Leads({ heading, leads, also = "", numbered = false, onGo }: LeadsProps) {
  return (
    <Command.Group heading={heading} className={GROUP}>
      {leads.map(({ does, how, found = "", view }, index) => (
        <Command.Item key={does} value={`${also} ${does} ${how} ${found}`} className={ITEM} onSelect={() => onGo(view)}>
          <span className="w-64 shrink-0">
            {numbered && <span className="figures mr-2 text-quiet">{index + 1}</span>}
            {does}
          </span>
          <span className="text-quiet">{how}</span>
        </Command.Item>
      ))}
    </Command.Group>
  );
}

const GROUP =
  "[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:font-bold [&_[cmdk-group-heading]]:text-primary";
const ITEM = "flex gap-4 rounded px-2 py-0.5 data-[selected=true]:bg-base-300";

/** Finds what holds every word that is searched for; what holds them as they stand comes first. */
function holdsWords(value: string, search: string): number {
  const all = value.toLowerCase();
  const words = search.trim().toLowerCase();
  if (all.includes(words)) return 1;
  return words.split(/\s+/).every((word) => all.includes(word)) ? 0.5 : 0;
}
