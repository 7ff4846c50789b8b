import { useQuery } from "@tanstack/react-query";
import { type ListSheet, type ShowSheet, cueOrder, sheetOf, takeCuesEdits } from "@zm/core";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { useChoice } from "../choice/choice.ts";
import { refusable } from "../preview/preview.ts";
import type { WantedCues } from "../shared/dialogs.ts";
import { Modal } from "../shared/Modal.tsx";
import { errorMessage } from "../shared/errorMessage.ts";
import { notify } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { showsQuery } from "../show/openShow.ts";
import { useList, useShow } from "../show/useShow.ts";

/** Cues of another show of the database, taken into the list that is worked on: chosen here, and seen with their impact before they are made. */
export function TakeDialog({ wanted, onClose }: { wanted: WantedCues; onClose: () => void }) {
  const { id, sheet } = useShow();
  const list = useList();
  const navigate = useNavigate();
  const shows = useQuery(showsQuery);
  const others = (shows.data ?? []).filter((show) => show.id !== id);
  const [picked, setPicked] = useState<number | null>(null);
  const named = wanted.from === undefined ? undefined : others.find(({ title }) => title.toLowerCase() === wanted.from?.toLowerCase());
  const show = picked ?? named?.id ?? others[0]?.id ?? null;
  const other = useQuery({
    queryKey: ["taken from", show],
    queryFn: async (): Promise<ShowSheet> => sheetOf((await api.show(show ?? 0)).show),
    enabled: show !== null,
    structuralSharing: false,
    staleTime: 0,
  });
  const [listId, setListId] = useState<string | null>(null);
  const from = other.data && (other.data.lists.get(listId ?? "") ?? [...other.data.lists.values()][0]);
  const [cues, setCues] = useState(wanted.cues ? { first: wanted.cues.from, last: wanted.cues.to } : null);
  const [start, setStart] = useState(wanted.start ?? "");
  const taken = useMemo(() => {
    if (!other.data || !from || !cues) return null;
    const range = Number(cues.first) <= Number(cues.last) ? cues : { first: cues.last, last: cues.first };
    const taking = { from: { sheet: other.data, list: from, ...range }, into: { sheet, list }, start: start.trim() || undefined };
    return refusable(() => takeCuesEdits(taking));
  }, [other.data, from, cues, start, sheet, list]);
  const consider = (): void => {
    if (!taken || "fault" in taken) return;
    for (const words of taken.left) notify(words, "trouble");
    useChoice.setState({ operation: null, draft: { from: "history", edits: taken.edits } });
    void navigate(`/show/${id}/score`);
    onClose();
  };
  return (
    <Modal label="Cues of another show" onClose={onClose} className="w-[40rem]">
      <form
        className="flex h-[520px] flex-col gap-3 p-6"
        onSubmit={(event) => {
          event.preventDefault();
          consider();
        }}
      >
        <h2 className="text-[17px] font-bold">Cues of another show, into {list.list.label || list.id}</h2>
        {shows.data && wanted.from !== undefined && !named && (
          <p role="alert" className="text-error">
            No other show in this database is called “{wanted.from}”; choose one here.
          </p>
        )}
        {shows.data && others.length === 0 && <p className="text-quiet">There is no other show in this database yet.</p>}
        <div className="flex items-end gap-3">
          <label className="flex-1 text-[13px] text-quiet">
            show
            <select
              className="select select-sm mt-0.5 w-full bg-base-100"
              value={show ?? ""}
              onChange={(event) => {
                setPicked(Number(event.target.value));
                setListId(null);
                setCues(null);
              }}
            >
              {others.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.title} (no. {each.id})
                </option>
              ))}
            </select>
          </label>
          <label className="w-40 text-[13px] text-quiet">
            list
            <select
              className="select select-sm mt-0.5 w-full bg-base-100"
              value={from?.id ?? ""}
              onChange={(event) => {
                setListId(event.target.value);
                setCues(null);
              }}
            >
              {[...(other.data?.lists.values() ?? [])].map((each) => (
                <option key={each.id} value={each.id}>
                  {each.list.label || each.id}
                </option>
              ))}
            </select>
          </label>
          <label className="w-28 text-[13px] text-quiet">
            first becomes
            <input
              className="input input-sm figures mt-0.5 w-full bg-base-100"
              placeholder={cues?.first ?? ""}
              value={start}
              onChange={(event) => setStart(event.target.value)}
            />
          </label>
        </div>
        {other.isFetching && (
          <p role="status" className="text-quiet">
            Reading the other show …
          </p>
        )}
        {other.error && (
          <p role="alert" className="text-error">
            {errorMessage(other.error)}
          </p>
        )}
        {from && <CueChoice list={from} cues={cues} onChoose={setCues} />}
        {taken && "fault" in taken && (
          <p role="alert" className="text-error">
            {taken.fault}
          </p>
        )}
        <div className="flex items-center justify-end gap-2">
          <span className="flex-1 text-quiet">
            {taken && "edits" in taken && `${taken.edits.length} cues; their palettes become numbers where this show has none such.`}
          </span>
          <button type="button" className="btn btn-sm btn-outline border-neutral" onClick={onClose}>
            Not now
          </button>
          <button type="submit" className="btn btn-sm btn-primary" disabled={!taken || "fault" in taken}>
            Show what that does
          </button>
        </div>
      </form>
    </Modal>
  );
}

interface CueChoiceProps {
  readonly list: ListSheet;
  readonly cues: { readonly first: string; readonly last: string } | null;
  readonly onChoose: (cues: { first: string; last: string }) => void;
}

/** The cues of the other show: pressing one chooses it, with Shift all up to it. */
function CueChoice({ list, cues, onChoose }: CueChoiceProps) {
  const ends = cues && [cueOrder(cues.first), cueOrder(cues.last)].sort((a, b) => a - b);
  const isChosen = (number: string): boolean => ends !== null && cueOrder(number) >= (ends[0] ?? 0) && cueOrder(number) <= (ends[1] ?? 0);
  return (
    <div
      role="group"
      aria-label="Cues to take; with Shift up to there"
      tabIndex={0}
      className="min-h-0 flex-1 overflow-y-auto rounded border border-rule p-1"
    >
      {list.cues.map(({ number, label }) => (
        <button
          key={number}
          type="button"
          aria-pressed={isChosen(number)}
          className="block min-h-7 w-full truncate rounded px-1.5 text-left hover:bg-base-300 aria-pressed:bg-base-300 aria-pressed:font-bold"
          onClick={(event) => onChoose({ first: event.shiftKey && cues ? cues.first : number, last: number })}
        >
          <span className="figures inline-block w-12 text-right">{number}</span> {label}
        </button>
      ))}
    </div>
  );
}
