import { useQuery, useQueryClient } from "@tanstack/react-query";
import type { BackupEntry, BackupSettings, BackupsState } from "@zm/protocol";
import { useEffect, useRef, useState } from "react";
import { useOpenOther } from "../file/useImport.ts";
import { useOnce } from "../shared/ActionButton.tsx";
import { Modal } from "../shared/Modal.tsx";
import { ModalHead } from "../shared/ModalHead.tsx";
import { NumberField } from "../shared/NumberField.tsx";
import { TakenField } from "../shared/TakenField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { VirtualList } from "../shared/VirtualList.tsx";
import { dayAndSecondWords } from "../shared/moments.ts";
import { notify, tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { showsQuery } from "../show/openShow.ts";
import { useShow } from "../show/useShow.ts";
import { type ExchangeThread, startExchange } from "./exchange.ts";
import type { Difference } from "./exchangeThread.ts";

const QUERY = { queryKey: ["backups"], queryFn: api.backups } as const;

/** The backups: how they are made, all that there are, what differs in one from the show as it is, and the way back. */
export function BackupsDialog({ onClose }: { onClose: () => void }) {
  const { id, sheet } = useShow();
  const client = useQueryClient();
  const { data: state } = useQuery({ ...QUERY, staleTime: 0 });
  const [ofAll, setOfAll] = useState(false);
  const [chosen, choose] = useState<BackupEntry | null>(null);
  const [make, making] = useOnce(async () => {
    try {
      const entry = await api.backUp(id);
      notify(`Backed up, and read back: ${entry.file}`);
      await client.invalidateQueries({ queryKey: QUERY.queryKey });
      choose(entry);
    } catch (error) {
      tellTrouble(error);
    }
  });
  const entries = (state?.entries ?? []).filter(({ show }) => ofAll || show === id);
  return (
    <Modal label="Backups" onClose={onClose} className="w-[62rem]">
      <div className="flex h-[600px] flex-col gap-3 p-6">
        <ModalHead name="Backups" />
        <Plan state={state} />
        {state?.fault != null && (
          <p role="alert" className="text-error">
            {state.fault}
          </p>
        )}
        <div className="grid min-h-0 flex-1 grid-cols-[24rem_1fr] gap-6">
          <section aria-label="All backups" className="flex min-h-0 flex-col gap-1.5">
            <div className="flex items-center justify-between">
              <h3 className="text-[13px] font-bold text-quiet">{ofAll ? "Of all shows" : `Of ${sheet.show.title}`}</h3>
              <Toggle pressed={ofAll} onClick={() => setOfAll(!ofAll)}>
                Of all shows
              </Toggle>
            </div>
            {state && entries.length === 0 && (
              <p className="text-quiet">There is none yet. One is made by plan after the next edits, or now.</p>
            )}
            <VirtualList label="Backups" lines={entries} heightOf={() => 32}>
              {(entry) => <BackupRow entry={entry} named={ofAll} isChosen={sameBackup(entry, chosen)} onChoose={() => choose(entry)} />}
            </VirtualList>
          </section>
          {chosen ? (
            <ChosenBackup key={`${chosen.folder}/${chosen.file}`} backup={chosen} onClose={onClose} />
          ) : (
            <p className="text-quiet">Choose one to see what is different in it, and to bring it back.</p>
          )}
        </div>
        <div className="flex items-center justify-end gap-2">
          <span className="flex-1 text-quiet">Also without the window: npm run backup, npm run restore</span>
          <button type="button" className="btn btn-sm btn-primary" aria-busy={making} onClick={make}>
            Back up now
          </button>
        </div>
      </div>
    </Modal>
  );
}

function sameBackup(a: BackupEntry, b: BackupEntry | null): boolean {
  return b !== null && a.folder === b.folder && a.file === b.file;
}

/** How backups are made by plan; each change is kept at once. */
function Plan({ state }: { state: BackupsState | undefined }) {
  const client = useQueryClient();
  const settings = state?.settings;
  const set = (change: Partial<BackupSettings>): void => {
    if (!settings) return;
    api.setBackups({ ...settings, ...change }).then(
      (now) => client.setQueryData(QUERY.queryKey, now),
      (error: unknown) => {
        tellTrouble(error);
        void client.invalidateQueries({ queryKey: QUERY.queryKey });
      },
    );
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Toggle pressed={settings?.on ?? false} disabled={!settings} onClick={() => set({ on: !settings?.on })}>
        By plan
      </Toggle>
      <span className="text-quiet">every</span>
      <span className="w-16">
        <NumberField
          label="Minutes between backups"
          min={1}
          max={1440}
          whole
          value={settings?.minutes}
          onTake={(minutes) => minutes !== null && set({ minutes })}
        />
      </span>
      <span className="text-quiet">minutes while edits come, into</span>
      <span className="min-w-0 flex-1">
        <TakenField
          label="Folder of backups"
          shown={settings?.folder ?? ""}
          hint={state?.place}
          read={(text) => text.trim()}
          wrongWords="is no folder"
          isSame={(folder) => folder === (settings?.folder ?? "")}
          onTake={(folder) => set({ folder: folder ?? "" })}
        />
      </span>
      <span className="basis-full text-[13px] text-quiet">
        Kept are the last 20, one for each hour of a day, one for each day of a month, and those made by hand.
      </span>
    </div>
  );
}

function BackupRow({ entry, named, isChosen, onChoose }: { entry: BackupEntry; named: boolean; isChosen: boolean; onChoose: () => void }) {
  const { made, title, show, revision, bytes, byHand } = entry;
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      className={`flex h-8 w-full items-center gap-2 rounded px-2 text-left ${isChosen ? "bg-base-300 font-bold" : "hover:bg-base-100"}`}
      onClick={onChoose}
    >
      <span className="figures">{dayAndSecondWords(new Date(made))}</span>
      <span className="min-w-0 flex-1 truncate text-quiet">
        {named ? `${title}, no. ${show}` : `after edit ${revision}`}
        {byHand ? ", by hand" : ""}
      </span>
      <span className="figures text-[13px] font-normal text-quiet">{Math.max(1, Math.round(bytes / 1000))} kB</span>
    </button>
  );
}

/** What is different in a backup from the show as it is, and the way back: as a new show, so that nothing that is there goes. */
function ChosenBackup({ backup, onClose }: { backup: BackupEntry; onClose: () => void }) {
  const { id } = useShow();
  const openOther = useOpenOther();
  const client = useQueryClient();
  const { differences, fault } = useDifferences(backup);
  const [restore, restoring] = useOnce(async () => {
    try {
      const { id: added } = await api.restore({ folder: backup.folder, file: backup.file });
      await client.invalidateQueries({ queryKey: showsQuery.queryKey });
      onClose();
      openOther(added);
      notify(`The backup of ${dayAndSecondWords(new Date(backup.made))} is a show of its own now; it is the one you see`);
    } catch (error) {
      tellTrouble(error);
    }
  });
  return (
    <section aria-label="The chosen backup" className="flex min-h-0 flex-col gap-1.5">
      <h3 className="text-[13px] font-bold text-quiet">
        {backup.show === id ? "What has changed since" : "Against the show that is open"}
      </h3>
      {fault !== null && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
      {fault === null && !differences && (
        <p role="status" className="text-quiet">
          Looking …
        </p>
      )}
      {differences?.length === 0 && <p className="text-quiet">Nothing is different.</p>}
      {differences && differences.length > 0 && (
        <VirtualList label="What is different" lines={differences} heightOf={() => 24}>
          {({ cue, words }) => (
            <p className="grid grid-cols-[4rem_1fr] gap-x-2 py-0.5 pr-2 leading-5">
              <span className="figures text-right">{cue}</span>
              <span className="min-w-0 break-words">{words}</span>
            </p>
          )}
        </VirtualList>
      )}
      <div>
        <button type="button" className="btn btn-sm btn-outline border-neutral" aria-busy={restoring} onClick={restore}>
          Bring it back as a new show
        </button>
      </div>
    </section>
  );
}

function useDifferences(backup: BackupEntry): { readonly differences: readonly Difference[] | null; readonly fault: string | null } {
  const { id } = useShow();
  const thread = useRef<ExchangeThread | null>(null);
  const [found, setFound] = useState<{ differences: readonly Difference[] | null; fault: string | null }>({
    differences: null,
    fault: null,
  });
  useEffect(() => {
    let over = false;
    thread.current = startExchange();
    thread.current.differences(id, { folder: backup.folder, file: backup.file }).then(
      (differences) => {
        if (!over) setFound({ differences, fault: null });
      },
      () => {
        if (!over) setFound({ differences: null, fault: "This backup cannot be read" });
      },
    );
    return () => {
      over = true;
      thread.current?.end();
    };
  }, [id, backup]);
  return found;
}
