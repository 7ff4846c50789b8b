import { useQuery, useQueryClient } from "@tanstack/react-query";
import { emptyShow } from "@zm/core";
import { Download, FilePlus, FolderOpen, Upload } from "lucide-react";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { chooseNothing, useChoice } from "../choice/choice.ts";
import { notify, tellTrouble } from "../shared/notices.ts";
import { DropMenu, NamedEntry } from "../shared/DropMenu.tsx";
import { Refusal, api } from "../show/api.ts";
import { useShow } from "../show/useShow.ts";

/** The show's name; behind it export, import and the other shows. */
export function ShowMenu({ title }: { title: string }) {
  const { id } = useShow();
  const [open, setOpen] = useState(false);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const client = useQueryClient();
  const shows = useQuery({ queryKey: ["shows"], queryFn: api.shows, enabled: open });

  const begin = async (name: string): Promise<void> => {
    try {
      const { id: added } = await api.importShow(JSON.stringify(emptyShow(name)));
      await client.invalidateQueries({ queryKey: ["shows"] });
      goTo(added);
    } catch (error) {
      tellTrouble(error);
    }
  };
  const goTo = (show: number): void => {
    chooseNothing();
    useChoice.setState({ cue: null, cueEnd: null, list: null, drawer: null });
    void navigate(`/show/${show}/score`);
  };
  const bring = async (chosen: File): Promise<void> => {
    try {
      const { id: added } = await api.importShow(await chosen.text());
      await client.invalidateQueries({ queryKey: ["shows"] });
      notify(`${chosen.name} is imported; it is the show you see now`);
      goTo(added);
    } catch (error) {
      setFaults(error instanceof Refusal && error.faults.length > 0 ? error.faults : [String(error)]);
    }
  };

  const others = (shows.data ?? []).filter((show) => show.id !== id);
  return (
    <>
      <DropMenu label={title} button="text-[17px] font-bold" list="w-72" onOpen={setOpen}>
        {(closing) => (
          <>
            <li>
              <NamedEntry label="Name of the new show" placeholder="name of the show, then Enter" onName={closing(begin)}>
                <FilePlus size={15} /> New show …
              </NamedEntry>
            </li>
            <li>
              <a href={`/api/shows/${id}/document`} download>
                <Download size={15} /> Export the open document
              </a>
            </li>
            <li>
              <button type="button" onClick={closing(() => file.current?.click())}>
                <Upload size={15} /> Import a show document …
              </button>
            </li>
            {others.length > 0 && <li className="menu-title text-quiet">Other shows</li>}
            {others.map((show) => (
              <li key={show.id}>
                <button type="button" onClick={closing(() => goTo(show.id))}>
                  <FolderOpen size={15} /> {show.title} <span className="text-quiet">no. {show.id}</span>
                </button>
              </li>
            ))}
          </>
        )}
      </DropMenu>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        className="hidden"
        aria-label="Show document"
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = "";
          if (chosen) void bring(chosen);
        }}
      />
      {faults.length > 0 && <FaultList faults={faults} onClose={() => setFaults([])} />}
    </>
  );
}

function FaultList({ faults, onClose }: { faults: readonly string[]; onClose: () => void }) {
  return (
    <div
      role="alertdialog"
      aria-label="The document was not imported"
      className="fixed inset-0 z-50 grid place-items-center bg-base-100/80"
    >
      <div className="w-[44rem] rounded border border-error bg-base-200 p-5">
        <h2 className="text-[17px] font-bold">The document was not imported</h2>
        <p className="text-quiet">
          {faults.length} {faults.length === 1 ? "fault" : "faults"}; nothing was loaded.
        </p>
        <ul className="mt-3 max-h-80 list-disc space-y-1 overflow-y-auto pl-5" tabIndex={0}>
          {faults.slice(0, 200).map((fault, index) => (
            <li key={index}>{fault}</li>
          ))}
        </ul>
        {faults.length > 200 && <p className="mt-1 text-quiet">and {faults.length - 200} more</p>}
        <div className="mt-4 text-right">
          <button type="button" className="btn btn-primary btn-sm" autoFocus onClick={onClose}>
            Close
          </button>
        </div>
      </div>
    </div>
  );
}
