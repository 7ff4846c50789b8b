import { serverUrl } from "../shared/serverAddress.ts";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { emptyShow } from "@zm/core";
import {
  Archive,
  Download,
  Eye,
  FileInput,
  FileOutput,
  FilePlus,
  FolderOpen,
  ListChecks,
  MessageCircle,
  PencilLine,
  Trash2,
  Upload,
  Users,
} from "lucide-react";
import { openBackups, openBring, openNotes, openPeople, openSend } from "../shared/dialogs.ts";
import { useRef, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { useNavigate } from "react-router";
import { useOnce } from "../shared/ActionButton.tsx";
import { Modal } from "../shared/Modal.tsx";
import { tellTrouble } from "../shared/notices.ts";
import { DropMenu, MenuEntry, MenuHeading, MenuLink, MenuPage, NamedEntry } from "../shared/DropMenu.tsx";
import { api } from "../show/api.ts";
import { showsQuery } from "../show/openShow.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { useImport, useOpenOther } from "./useImport.ts";
import { FaultList } from "../shared/FaultList.tsx";
import { FileField } from "../shared/FileField.tsx";

/** The show's name; behind it export, import and the other shows; renaming and removing this one. */
export function ShowMenu({ title }: { title: string }) {
  const { id } = useShow();
  const [open, setOpen] = useState(false);
  const [faults, setFaults] = useState<readonly string[]>([]);
  const [removing, setRemoving] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const client = useQueryClient();
  const makeEdits = useMakeEdits();
  const goTo = useOpenOther();
  const bringIn = useImport();
  const shows = useQuery({ ...showsQuery, enabled: open });

  const begin = async (name: string): Promise<void> => {
    try {
      const { id: added } = await api.importShow(JSON.stringify(emptyShow(name)));
      await client.invalidateQueries({ queryKey: showsQuery.queryKey });
      goTo(added);
    } catch (error) {
      tellTrouble(error);
    }
  };
  const rename = async (name: string): Promise<void> => {
    if (await makeEdits([{ op: "setShow", title: name }])) await client.invalidateQueries({ queryKey: showsQuery.queryKey });
  };
  const others = (shows.data ?? []).filter((show) => show.id !== id);
  return (
    <>
      <DropMenu label={title} button="text-[17px] font-bold max-w-56" list="w-80" onOpen={setOpen}>
        <NamedEntry label="Name of the new show" placeholder="name of the show, then Enter" onName={begin}>
          <FilePlus size={15} /> New show …
        </NamedEntry>
        <MenuLink href={serverUrl(`/api/shows/${id}/document`)}>
          <Download size={15} /> Export the open document
        </MenuLink>
        <MenuEntry onAct={() => file.current?.click()}>
          <Upload size={15} /> Import a show document …
        </MenuEntry>
        <MenuEntry onAct={() => openBring()}>
          <FileInput size={15} /> Bring in: lists, rig, play, tables …
        </MenuEntry>
        <MenuEntry onAct={openSend}>
          <FileOutput size={15} /> Send out, for others …
        </MenuEntry>
        <MenuEntry onAct={openBackups}>
          <Archive size={15} /> Backups …
        </MenuEntry>
        <MenuEntry onAct={openPeople}>
          <Users size={15} /> People, and who may in …
        </MenuEntry>
        <NamedEntry label="Name of this show" placeholder="name, then Enter" value={title} onName={rename}>
          <PencilLine size={15} /> Rename this show …
        </NamedEntry>
        <MenuPage href={`/watch/${id}`}>
          <Eye size={15} /> Page that only looks on
        </MenuPage>
        <MenuPage href={`/watch/${id}/notes`}>
          <MessageCircle size={15} /> Page for notes of who looks on
        </MenuPage>
        <MenuEntry onAct={openNotes}>
          <ListChecks size={15} /> Notes, to be ticked off …
        </MenuEntry>
        <MenuEntry onAct={() => setRemoving(true)}>
          <Trash2 size={15} /> Remove this show …
        </MenuEntry>
        {others.length > 0 && <MenuHeading>Other shows</MenuHeading>}
        {others.map((show) => (
          <MenuEntry key={show.id} onAct={() => goTo(show.id)}>
            <FolderOpen size={15} /> {show.title} <span className="text-quiet">no. {show.id}</span>
          </MenuEntry>
        ))}
      </DropMenu>
      <FileField ref={file} accept=".json,application/json" label="Show document" onFile={(chosen) => bringIn(chosen).then(setFaults)} />
      {faults.length > 0 && <NotImported faults={faults} onClose={() => setFaults([])} />}
      {removing && <RemoveShow id={id} title={title} onClose={() => setRemoving(false)} />}
    </>
  );
}

/** Removing a show is asked for by its name: its whole history goes with it. */
function RemoveShow({ id, title, onClose }: { id: number; title: string; onClose: () => void }) {
  const { register, handleSubmit, control } = useForm<{ typed: string }>({ defaultValues: { typed: "" } });
  const typed = useWatch({ control, name: "typed" }).trim();
  const client = useQueryClient();
  const navigate = useNavigate();
  const [remove, busy] = useOnce(async () => {
    try {
      await api.remove(id, typed);
      onClose();
      await client.invalidateQueries({ queryKey: showsQuery.queryKey });
      void navigate("/");
    } catch (error) {
      tellTrouble(error);
    }
  });
  return (
    <Modal label="Remove this show" onClose={onClose} className="w-[32rem]">
      <form className="flex flex-col gap-3 p-6" onSubmit={(event) => void handleSubmit(() => typed === title && remove())(event)}>
        <h2 className="text-[17px] font-bold">Remove {title}?</h2>
        <p>
          The show goes with its cues, its rig and its whole history, for every window. It cannot be taken back; export it first if you may
          want it.
        </p>
        <label className="text-[13px] text-quiet">
          Type its name to remove it
          <input className="input mt-1 w-full bg-base-100 text-base-content" autoComplete="off" {...register("typed")} />
        </label>
        <div className="flex gap-2">
          <button type="submit" className="btn btn-error btn-sm" disabled={typed !== title} aria-busy={busy}>
            Remove the show
          </button>
          <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={onClose}>
            Keep it
          </button>
        </div>
      </form>
    </Modal>
  );
}

function NotImported({ faults, onClose }: { faults: readonly string[]; onClose: () => void }) {
  const close = useRef<HTMLButtonElement>(null);
  return (
    <Modal label="The document was not imported" onClose={onClose} initialFocus={close} className="w-[44rem] border-error">
      <div className="p-5">
        <h2 className="text-[17px] font-bold">The document was not imported</h2>
        <p className="text-quiet">
          {faults.length} {faults.length === 1 ? "fault" : "faults"}; nothing was loaded.
        </p>
        <FaultList faults={faults} />
        <div className="mt-4 text-right">
          <button type="button" ref={close} className="btn btn-primary btn-sm" onClick={onClose}>
            Close
          </button>
        </div>
      </div>
    </Modal>
  );
}
